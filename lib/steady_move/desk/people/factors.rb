# frozen_string_literal: true

require "openssl"
require "securerandom"

module SteadyMove
  module Desk
    module People
      # Second factors: an authenticator's codes (TOTP), passkeys (WebAuthn), and recovery codes for
      # whoever lost them.
      class Factors
        CODES = 10
        # No letters and digits that look alike; 16 of 31 are 79 bits.
        LETTERS = [*"a".."z", *"2".."9"].join.delete("ilo").chars.freeze
        LENGTH = 16
        # So long a passkey's challenge holds (seconds; WebAuthn level 2, §5.4, timeout: what a
        # browser is told is less).
        CHALLENGE = 300

        def initialize(db, secret:)
          @rows = Store::Factors.new(db)
          @challenges = Store::Challenges.new(db)
          @secret = secret
        end

        # What a passkey of a person is asked to sign.
        def give_challenge(id, text)
          now = Time.now.to_i
          @challenges.give(id, digest(id, text), expires_at: now + CHALLENGE, now: now)
        end

        # Was it asked just now, and not answered yet? It is used up with that (WebAuthn level 2,
        # §13.4.3).
        def take_challenge(id, text) = @challenges.take(id, digest(id, text), now: Time.now.to_i)

        # Wrong codes so far are forgotten.
        def forgive(id) = @rows.forgive(id)

        # What a person has, to show it.
        def standing(id)
          {
            authenticator: @rows.authenticator?(id),
            passkeys: @rows.passkeys(id),
            recovery_codes: @rows.recovery_codes(id)
          }
        end

        def any?(id) = @rows.any?(id)
        # Ids of all who have one.
        def holders = @rows.holders

        # Takes all of them away; false where there was none.
        def forget(id) = @rows.forget(id)

        # New recovery codes in place of the old ones; shown once, only their digests are kept.
        def new_codes(id)
          codes =
            Array.new(CODES) { Array.new(LENGTH) { LETTERS.sample(random: SecureRandom) }.join }
          @rows.replace_codes(id, codes.map { |c| digest(id, c) })
          codes.map { |c| c.scan(/.{4}/).join("-") }
        end

        # Uses a recovery code up; false where it is none.
        def use_code(id, given)
          text = given.to_s.downcase.delete("^a-z0-9")
          @rows.use_code(id, digest(id, text))
        end

        def inspect = "#<Factors>"

        private

        def digest(id, code) = OpenSSL::HMAC.hexdigest("SHA256", @secret, "#{id} #{code}")
      end
    end
  end
end
