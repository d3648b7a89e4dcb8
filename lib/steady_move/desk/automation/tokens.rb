# frozen_string_literal: true

require "digest"
require "securerandom"

module SteadyMove
  module Desk
    module Automation
      # Personal tokens for programs: each with a role no greater than its person's, and an end; shown
      # once and kept as a digest.
      class Tokens
        LONGEST = 366
        MOST = 20
        DAY = 86_400
        # Begins each, so that one that got loose is found by who looks for it.
        MARK = "steady-"
        TITLE = 80

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = @ports.db[:tokens]
        end

        # person: row of People; days: how long it holds. Returns the token, which is shown once.
        # Raises Refused.
        def make(person, title:, role:, days:)
          title = title.to_s.strip[0, TITLE]
          check(person, title, role, days)
          token = "#{MARK}#{SecureRandom.urlsafe_base64(32)}"
          @rows.insert(
            person_id: person[:id],
            title: title,
            role: role,
            token_digest: digest(token),
            made_at: @ports.now.to_i,
            expires_at: @ports.now.to_i + (days * DAY)
          )
          note("token_made", person, title: title, role: role)
          token
        end

        # Those of a person, the newest first; never the tokens themselves.
        def of(person_id)
          @rows
            .where(person_id: person_id)
            .reverse(:id)
            .map do |r|
              {
                id: r[:id],
                title: r[:title],
                role: r[:role],
                over: r[:expires_at] <= @ports.now.to_i,
                **%i[made_at expires_at used_at].to_h { |k| [k, Store::Values.time(r[k])] }
              }
            end
        end

        # Ends one of a person's own. Raises Refused.
        def finish(person, id)
          row = @rows.where(id: id, person_id: person[:id]).first or
            raise Refused.new(:unknown, :no_token, id: id)
          @rows.where(id: id).delete
          note("token_ended", person, title: row[:title])
        end

        # The person whose token this is, with the lesser of both roles, or nil where it doesn't hold.
        def person(token)
          row =
            @rows
              .where(token_digest: digest(token))
              .where(Sequel[:expires_at] > @ports.now.to_i)
              .first or return
          person = @ports.db[:people].where(id: row[:person_id]).first or return
          if row[:used_at].to_i < @ports.now.to_i - 60
            @rows.where(id: row[:id]).update(used_at: @ports.now.to_i)
          end
          role =
            People::Directory::ROLES.values_at(
              *[person[:role], row[:role]].map { |r| People::Directory::ROLES.index(r) }.sort
            ).first
          person.slice(:id, :email).merge(role: role, factor: false, token: row[:id])
        end

        private

        def digest(token) = Digest::SHA256.hexdigest(token.to_s)

        def check(person, title, role, days)
          raise Refused.new(:invalid, :token_title) if title.empty?
          raise Refused.new(:invalid, :token_days, most: LONGEST) unless days.between?(1, LONGEST)
          unless People::Directory.may?(person[:role], role)
            raise Refused.new(:invalid, :token_role, yours: person[:role])
          end
          if @rows.where(person_id: person[:id]).count >= MOST
            raise Refused.new(:not_now, :too_many_tokens, most: MOST)
          end
        end

        def note(key, person, **values)
          @ports.journal.add(
            "people",
            at: @ports.now,
            by: person[:email],
            says: Words.phrase("journal.#{key}", by: person[:email], **values)
          )
        end
      end
    end
  end
end
