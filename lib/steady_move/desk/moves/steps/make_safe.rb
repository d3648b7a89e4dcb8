# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # After a refusal or a call-off: nothing pending, the lock on again, the code wiped. First it is looked where
      # the name is: what has been released is not taken back, the move goes on as landed.
      class MakeSafe < Act
        include Transfers
        include Locking

        def call
          return released if whereabouts == :released

          undo_order
          put_lock(losing) if locks?
          done(sentence(locks? ? :done_locked : :done), source: [:epp, { at: losing.title }])
        end

        # The same where the lock is put on by hand.
        def safe
          undo_order
          return by_record { |r| r.status?(LOCK) } if locks?

          Seen.new(done: true, says: sentence(:done), source: :transfer_query)
        end

        private

        def locks? = plan.options.include?(:lock)
        def released = resumed(sentence(:released), source: :transfer_query)

        # The code is wiped, and an order that went out is called off where it is still pending.
        def undo_order
          ports.codes.wipe_of_move(move.id)
          return unless whereabouts == :pending

          intend(sentence(:cancelling)) do |key|
            epp(gaining, Commands.transfer(op: "cancel", name: plan.name, id: key))
          end
        end
      end
    end
  end
end
