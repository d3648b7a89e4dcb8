# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # The transfer lock over an account's connection, asked before it is set.
      module Locking
        private

        def put_lock(account)
          return if info(account).statuses.include?(Act::LOCK)

          intend(sentence("acts.lock_on")) do |key|
            epp(
              account,
              Act::Commands.update(name: plan.name, id: key, add: { statuses: [Act::LOCK] })
            )
          end
        end
      end
    end
  end
end
