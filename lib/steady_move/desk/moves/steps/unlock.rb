# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Takes the transfer lock off at the losing registrar.
        class Unlock < Act
          include Locking

          def call
            take_lock(losing)
            done(sentence(:done), source: [:epp, { at: losing.title }])
          end

          def lock_off = by_record { |r| r.lock.no? }
        end
      end
    end
  end
end
