# frozen_string_literal: true

module SteadyMove
  module Store
    # Second factors: authenticators, passkeys, and digests of recovery codes.
    class Factors
      def initialize(db)
        @db = db
      end

      def forgive(id) = authenticators(id).update(num_failures: 0)
      def authenticator?(id) = authenticators(id).any?
      def passkeys(id)
        keys(id).select(:webauthn_id, :title, :last_use).order(:title, :webauthn_id).all
      end

      def any?(id) = authenticators(id).any? || keys(id).any?
      # Ids of all who have one.
      def holders
        @db[:account_otp_keys].select_map(:id) | @db[:account_webauthn_keys].select_map(:account_id)
      end

      # false where there was none.
      def forget(id)
        @db.transaction do
          gone = [authenticators(id), keys(id)].sum(&:delete)
          codes(id).delete
          gone.positive?
        end
      end

      def recovery_codes(id) = codes(id).count
      # digests: of the new ones, in place of the old.
      def replace_codes(id, digests)
        @db.transaction do
          codes(id).delete
          @db[:recovery_codes].multi_insert(digests.map { |d| { id: id, code: d } })
        end
      end

      # Uses one up; false where it is none.
      def use_code(id, digest) = codes(id).where(code: digest).delete == 1

      private

      def authenticators(id) = @db[:account_otp_keys].where(id: id)
      def keys(id) = @db[:account_webauthn_keys].where(account_id: id)
      def codes(id) = @db[:recovery_codes].where(id: id)
    end
  end
end
