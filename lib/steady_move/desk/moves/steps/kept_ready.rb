# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # A name that was only made ready: watched until the public record shows it elsewhere, or
        # until the date that was set; then it is made safe again.
        class KeptReady < Act
          EVERY = 6 * 3600

          def call
            record = public_record
            return gone(record) if elsewhere?(record)
            if over?(record)
              return ended(sentence(:over, until: plan.kept_until), source: :record, as: "lapsed")
            end

            wait(
              record.status?("pendingTransfer") ? sentence(:leaving) : ready,
              source: :record,
              ref: record.url,
              look_at: [now + EVERY, plan.kept_until].min
            )
          end

          private

          # What was made ready, and what was not asked to be.
          def ready
            all = Core::Moves::Plan::MADE_READY.keys
            made = plan.made_ready
            left = all - made
            sentence(
              left.empty? ? :ready : :ready_but,
              made: made.map { |part| Words.phrase("prepare.made.#{part}") },
              left: left.map { |part| Words.phrase("prepare.parts.#{part}") },
              until: plan.kept_until
            )
          end

          # A transfer under way is not cut off at the date: it is looked at until it ends.
          def over?(record) = now >= plan.kept_until && record.status?("pendingTransfer") != true

          def elsewhere?(record) = losing.shown_by?(record) == false

          def gone(record)
            ports.codes.wipe(plan.name)
            done(sentence(:gone, registrar: record.registrar), source: :record, ref: record.url)
          end
        end
      end
    end
  end
end
