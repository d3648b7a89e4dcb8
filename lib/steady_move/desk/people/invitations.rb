# frozen_string_literal: true

require "digest"
require "securerandom"

module SteadyMove
  module Desk
    module People
      # Invitations, one for an address: a newer one, acceptance, taking back or seven days end it. It
      # makes a person who isn't there yet; it never changes one who is.
      class Invitations
        LASTS = 7 * 86_400

        def initialize(ports, people)
          @ports = Ports.of(ports)
          @rows = @ports.db[:invitations]
          @people = people
        end

        # Those that still hold.
        def open
          @rows
            .where(Sequel[:expires_at] > now)
            .order(:email)
            .select(:email, :role, :expires_at)
            .all
        end

        # Returns the one-time word for a new person's first sign-in; only its digest is kept. Raises
        # Refused.
        def make(email, role:, by:)
          @people.check(email, role)
          refuse(:here_already, email: email) if @people.email?(email)

          word = SecureRandom.alphanumeric(24)
          row = {
            token_digest: digest(word),
            email: email.downcase,
            role: role,
            expires_at: now + LASTS
          }
          @ports.db.transaction do
            @rows.where(email: row[:email]).delete
            @rows.insert(row)
          end
          @people.note("invited", by, email: email, role: role)
          word
        end

        # Takes an invitation up; it can't be used again. Raises Refused. Returns the e-mail.
        def accept(word, password)
          row = @rows.where(token_digest: digest(word)).where(Sequel[:expires_at] > now).first or
            refuse(:invitation_over)
          hash = @people.hashed(password, row[:email])
          @ports.db.transaction do
            refuse(:invitation_over) if @rows.where(token_digest: row[:token_digest]).delete.zero?
            @people.add(row[:email], hash, role: row[:role])
          end
          @people.note("invitation_taken", row[:email])
          row[:email]
        end

        # Raises Refused where nobody with this address is invited.
        def take_back(email, by:)
          refuse(:not_invited, email: email) if @rows.where(email: email.to_s.downcase).delete.zero?
          @people.note("invitation_taken_back", by, email: email)
        end

        private

        def now = @ports.now.to_i
        def digest(word) = Digest::SHA256.hexdigest(word.to_s)
        def refuse(key, **values) = raise(Refused.new(:invalid, key, **values))
      end
    end
  end
end
