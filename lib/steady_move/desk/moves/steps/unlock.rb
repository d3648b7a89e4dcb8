# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Takes the transfer lock off at the losing registrar.
        class Unlock < Act
          def call
            if info(losing).statuses.include?(LOCK)
              intend(sentence(:taking)) do |key|
                epp(losing, Commands.update(name: plan.name, id: key, rem: { statuses: [LOCK] }))
              end
            end
            done(sentence(:done), source: [:epp, { at: losing.title }])
          end

          def lock_off = by_record { |r| r.lock.no? }
        end
      end
    end
  end
end
