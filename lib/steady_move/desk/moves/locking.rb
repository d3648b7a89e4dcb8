# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # The transfer lock over an account's connection, asked before it is changed; with it go the
      # statuses that come and go with it there. clientUpdateProhibited bars every update but the
      # one that takes it away (RFC 5731 §2.3).
      module Locking
        private

        def put_lock(account)
          lacking = locks_of(account) - info(account).statuses
          return if lacking.empty?

          intend(sentence("acts.lock_on")) { |key| change(account, key, add: lacking) }
        end

        def take_lock(account)
          there = locks_of(account) & info(account).statuses
          return if there.empty?

          intend(sentence(:taking)) { |key| change(account, key, rem: there) }
        end

        def locks_of(account) =
          account.habits["lock_is_four"] ? Core::Names::Statuses::FOUR_LOCKS : [Act::LOCK]

        def change(account, key, **statuses)
          changes = statuses.transform_values { |list| { statuses: list } }
          epp(account, Act::Commands.update(name: plan.name, id: key, **changes))
        end
      end
    end
  end
end
