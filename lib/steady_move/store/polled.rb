# frozen_string_literal: true

module SteadyMove
  module Store
    # Messages of registries' queues that were read already.
    class Polled
      def initialize(db)
        @rows = db[:polled]
      end

      def known?(account_id, message) = @rows.where(account_id: account_id, message: message).any?
      def add(account_id, message, at:)
        @rows.insert(account_id: account_id, message: message, at: at.to_i)
      end
    end
  end
end
