# frozen_string_literal: true

require "digest"
require "securerandom"

module SteadyMove
  module Desk
    module Automation
      # Personal tokens for programs: each with a role no greater than its person's, and an end;
      # shown once and kept as a digest.
      class Tokens
        # Days; an administrator's may last longer.
        LONGEST = 90
        ADMINISTRATORS = 366
        MOST = 20
        DAY = 86_400
        # Begins each, so that one that got loose is found by who looks for it.
        MARK = "steady-"
        TITLE = 80

        def initialize(ports)
          @ports = Ports.of(ports)
          @rows = Store::Tokens.new(@ports.db)
        end

        # person: row of People; days: how long it holds. Returns the token, which is shown once.
        # Raises Refused.
        def make(person, title:, role:, days:)
          title = title.to_s.strip[0, TITLE]
          check(person, title, role, days)
          token = "#{MARK}#{SecureRandom.urlsafe_base64(32)}"
          @rows.add(
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
        def for_person(person_id)
          @rows
            .for_person(person_id)
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
          row = @rows.find(id, person[:id]) or raise Refused.new(:unknown, :no_token, id: id)
          @rows.remove(id)
          note("token_ended", person, title: row[:title])
        end

        # The person whose token this is, with the lesser of both roles, or nil where it doesn't
        # hold.
        def person(token)
          row = @rows.holding(digest(token), at: @ports.now) or return
          person = Store::People.new(@ports.db).find(row[:person_id]) or return
          @rows.used(row[:id], at: @ports.now) if row[:used_at].to_i < @ports.now.to_i - 60
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
          most = person[:role] == "administrator" ? ADMINISTRATORS : LONGEST
          raise Refused.new(:invalid, :token_days, most: most) unless days.between?(1, most)
          unless People::Directory.may?(person[:role], role)
            raise Refused.new(:invalid, :token_role, yours: person[:role])
          end
          if @rows.count(person[:id]) >= MOST
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
