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

        def initialize(db, secret:)
          @db = db
          @secret = secret
        end

        # Wrong codes so far are forgotten.
        def forgive(id) = @db[:account_otp_keys].where(id: id).update(num_failures: 0)

        # What a person has, to show it.
        def of(id)
          {
            authenticator: @db[:account_otp_keys].where(id: id).any?,
            passkeys:
              passkeys(id).select(:webauthn_id, :title, :last_use).order(:title, :webauthn_id).all,
            recovery_codes: @db[:recovery_codes].where(id: id).count
          }
        end

        def any?(id) = @db[:account_otp_keys].where(id: id).any? || passkeys(id).any?
        # Ids of all who have one.
        def holders
          @db[:account_otp_keys].select_map(:id) |
            @db[:account_webauthn_keys].select_map(:account_id)
        end

        # Takes all of them away; false where there was none.
        def forget(id)
          @db.transaction do
            gone = [@db[:account_otp_keys].where(id: id), passkeys(id)].sum(&:delete)
            @db[:recovery_codes].where(id: id).delete
            gone.positive?
          end
        end

        # New recovery codes in place of the old ones; shown once, only their digests are kept.
        def new_codes(id)
          codes =
            Array.new(CODES) { Array.new(LENGTH) { LETTERS.sample(random: SecureRandom) }.join }
          @db.transaction do
            @db[:recovery_codes].where(id: id).delete
            @db[:recovery_codes].multi_insert(codes.map { |c| { id: id, code: digest(id, c) } })
          end
          codes.map { |c| c.scan(/.{4}/).join("-") }
        end

        # Uses a recovery code up; false where it is none.
        def use_code(id, given)
          text = given.to_s.downcase.delete("^a-z0-9")
          @db[:recovery_codes].where(id: id, code: digest(id, text)).delete == 1
        end

        def inspect = "#<Factors>"

        private

        def passkeys(id) = @db[:account_webauthn_keys].where(account_id: id)
        def digest(id, code) = OpenSSL::HMAC.hexdigest("SHA256", @secret, "#{id} #{code}")
      end
    end
  end
end
