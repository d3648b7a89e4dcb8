# frozen_string_literal: true

require "digest"
require "securerandom"

module SteadyMove
  module Desk
    module People
      # Invitations, one for an address: a newer one, acceptance, taking back or seven days end it.
      # It makes a person who isn't there yet; it never changes one who is.
      class Invitations
        LASTS = 7 * 86_400

        def initialize(ports, people)
          @ports = Ports.of(ports)
          @rows = Store::OneTimeWords.new(@ports.db, :invitations, :email)
          @people = people
        end

        # Those that still hold.
        def open
          @rows.open(at: now).map { |row| row.slice(:email, :role, :expires_at) }
        end

        # Returns the one-time word for a new person's first sign-in; only its digest is kept.
        # Raises Refused.
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
          @rows.put(row)
          @people.note("invited", by, email: email, role: role)
          word
        end

        # Takes an invitation up; it can't be used again. Raises Refused. Returns the e-mail.
        def accept(word, password)
          row = @rows.find(digest(word), at: now) or refuse(:invitation_over)
          hash = @people.hashed(password, row[:email])
          @ports.db.transaction do
            refuse(:invitation_over) unless @rows.use(row[:token_digest])
            @people.add(row[:email], hash, role: row[:role])
          end
          @people.note("invitation_taken", row[:email])
          row[:email]
        end

        # Raises Refused where nobody with this address is invited.
        def take_back(email, by:)
          refuse(:not_invited, email: email) unless @rows.remove(email.to_s.downcase)
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
