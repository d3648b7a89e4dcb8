# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until the registry holds our transfer as pending, or has ended it.
        class RegistryPending < Act
          include Transfers

          # How long nothing may show before a person looks at the gaining side's pages.
          LATE = 2 * 86_400

          def call
            return from_outside if outside?

            transfer = our_transfer
            record = public_record
            over = transfer && transfer.status != "pending"
            return finished(transfer) if over && !transfer.status.end_with?("Approved")

            if over || (transfer && record.status?("pendingTransfer"))
              return(
                done(
                  sentence(:done, until: transfer.act_at),
                  source: :query_and_record,
                  ref: record.url,
                  deadline: transfer.act_at
                )
              )
            end
            wait(sentence(:not_yet), source: :record, look_at: now + 300)
          end

          private

          def from_outside
            return over if sight.stage == :over
            return done(sight.says, source: sight.source, ref: sight.ref, **seen) if sight.begun?
            return locked_again if plan.options.include?(:lock) && public_record.lock.yes?

            if now < late_at
              return wait(sentence(:not_yet), source: :record, ref: sight.ref, look_at: now + 1800)
            end

            problem(
              sentence(:late),
              source: :record,
              ref: sight.ref,
              yours: true,
              look_at: now + 21_600,
              which_end: true
            )
          end

          # A lock that came back after the order: the gaining side can't ask the registry while it
          # stands.
          def locked_again
            problem(
              sentence(:locked_again),
              source: :record,
              ref: sight.ref,
              yours: true,
              look_at: now + 3600
            )
          end

          def late_at = step_state.since + LATE

          # What others go by; what was not seen pending has no deadline.
          def seen
            {
              deadline: sight.deadline,
              assumed: sight.assumed,
              pending_seen: (now if sight.pending?),
              shown: sight.shown
            }.compact
          end
        end
      end
    end
  end
end
