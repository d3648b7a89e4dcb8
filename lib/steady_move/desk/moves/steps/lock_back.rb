# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Puts the transfer lock on at the gaining side.
        class LockBack < Act
          include Locking

          def lock_on = by_record { |r| r.lock.yes? }

          def call
            put_lock(gaining)
            done(sentence(:done), source: [:epp, { at: gaining.title }])
          end
        end
      end
    end
  end
end
