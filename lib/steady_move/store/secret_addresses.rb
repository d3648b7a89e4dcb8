# frozen_string_literal: true

module SteadyMove
  module Store
    # Pages under an address that only its holder knows, by digest: calendars by person, status
    # pages by what they show.
    class SecretAddresses
      # table: :calendars or :status_pages; keys: the columns that say whose it is.
      def initialize(db, table, keys)
        @rows = db[table]
        @keys = keys
      end

      # The one before holds no longer. whose: {column => value}.
      def renew(whose, digest, at:)
        row = { token_digest: digest, made_at: at.to_i }
        @rows.insert_conflict(target: @keys, update: row).insert(**whose, **row)
      end

      def finish(whose) = @rows.where(whose).delete
      def made_at(whose) = Values.time(@rows.where(whose).get(:made_at))
      # The row under an address, or nil.
      def find(digest) = @rows.where(token_digest: digest).first
    end
  end
end
