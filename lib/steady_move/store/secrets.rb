# frozen_string_literal: true

module SteadyMove
  module Store
    # Secrets that have to outlive a change of the key, sealed in the database: what second factors
    # and recovery codes are made with. Made from the key the first time, as earlier versions had
    # them.
    class Secrets
      def initialize(db, safe)
        @rows = db[:secrets]
        @safe = safe
      end

      # The secret for a purpose: 64 hexadecimal digits.
      def for(purpose)
        @rows.insert_conflict.insert(purpose: purpose, sealed: @safe.seal(@safe.derive(purpose)))
        @safe.open(@rows.where(purpose: purpose).get(:sealed))
      end

      def inspect = "#<Secrets>"
    end
  end
end
