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

            kept(record)
          end

          private

          def kept(record)
            return watch(sentence(:leaving), record) if record.status?("pendingTransfer")

            lost = plan.made_ready.select { |part| holds(part, record) == false }
            lost.any? ? no_longer(lost, record) : watch(ready(record), record)
          end

          def watch(says, record)
            wait(says, source: :record, ref: record.url, look_at: next_look)
          end

          def next_look = [now + EVERY, plan.kept_until].min

          # What was made ready, as it is seen now, and what was not asked to be.
          def ready(record)
            left = Core::Moves::Plan::MADE_READY.keys - plan.made_ready
            sentence(
              left.empty? ? :ready : :ready_but,
              made: plan.made_ready.map { |part| standing(part, record) },
              left: left.map { |part| Words.phrase("prepare.parts.#{part}") },
              until: plan.kept_until
            )
          end

          def standing(part, record)
            return Words.phrase("prepare.made.code_handed") if part == "code" && handed?

            Words.phrase("prepare.#{holds(part, record) ? "made" : "not_known"}.#{part}")
          end

          # Is it still so? true, false, or nil where nobody can tell now.
          def holds(part, record)
            case part
            when "unlock"
              record.lock.no? || (record.lock.yes? ? false : nil)
            when "code"
              handed? || !ports.codes.of_move(move.id).nil?
            when "privacy"
              readable(record.registrant_email)
            else
              true # a word came back
            end
          end

          def handed? = state.with_trait(:hands_over)&.done? == true

          def readable(email)
            losing.readable?(email, plan.name) ||
              (losing.stands_in?(email, plan.name) ? false : nil)
          end

          def no_longer(parts, record)
            problem(
              sentence(:no_longer, lost: parts.map { |p| Words.phrase("prepare.lost.#{p}") }),
              source: :record,
              ref: record.url,
              yours: true,
              look_at: next_look
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
