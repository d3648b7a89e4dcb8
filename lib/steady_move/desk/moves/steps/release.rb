# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits for the release; sends a person's approval once to the losing registrar.
        class Release < Act
          include Transfers

          # What a person approved shows within two hours, what was written for within days.
          LATE = { "page" => 7200, "letter" => 3 * 86_400 }.freeze

          def call
            return from_outside if outside?

            transfer = our_transfer or
              return problem(sentence(:none), source: :transfer_query, yours: true)
            return finished(transfer) unless transfer.status == "pending"

            approve if approving? && !approved_there?
            begun = state.set_going_at(step.id) || state.approved?
            return late(transfer) if late?

            wait(
              waiting_for(transfer),
              source: :transfer_query,
              look_at: [now + (begun ? 300 : 21_600), transfer.act_at + 60].min
            )
          end

          private

          def connected? = !by_hand? && !step.by_time?

          # Has a person approved it, now or as soon as it can be done? Only where the desk does it
          # over the connection.
          def approving?
            return false unless connected?

            approve_as_wished if state.wished? && !state.approved?
            state.approved? || state.wished?
          end

          # Without a connection to the gaining side: what shows of the transfer counts, and what
          # the losing side's own connection says where there is one.
          def from_outside
            return over if sight.stage == :over
            return done(sight.says, source: sight.source, ref: sight.ref) if sight.approved?

            approve if sight.pending? && approving? && !approved_there?
            return late_outside if late?

            wait(
              sight.pending? ? outside_waiting : sentence(:as_soon_as),
              source: sight.source,
              ref: sight.ref,
              look_at:
                sight.pending? && state.set_going_at(step.id).nil? ? unasked : soon(looked_since),
              **(sight.pending? ? {} : { early: true })
            )
          end

          # Nobody said that it is approved: hourly at first, then more seldom, since silence counts
          # as well.
          def unasked = now + ((now - step_state.since) / 8).clamp(3600, 21_600)

          def looked_since = state.set_going_at(step.id) || step_state.since

          def outside_waiting
            begun = state.set_going_at(step.id)
            return sentence(step.by_letter? ? :written : :said, begun: begun) if begun
            return sentence(:passed_on) if state.approved?

            sentence(plan.lapses? ? :lapses : :silence, asked: asked, until: sight.deadline)
          end

          def late_outside
            problem(
              sentence(
                step.by_letter? ? :late_written : :late_said,
                begun: state.begun_at(step.id)
              ),
              source: sight.source,
              ref: sight.ref,
              yours: true,
              look_at: now + 3600
            )
          end

          def late?
            begun = state.begun_at(step.id)
            !begun.nil? && now >= begun + LATE.fetch(step.by_letter? ? "letter" : "page")
          end

          def late(transfer)
            says =
              sentence(step.by_letter? ? :late_written : :late_said, begun: state.begun_at(step.id))
            problem(
              says,
              source: :transfer_query,
              yours: true,
              look_at: [now + 1800, transfer.act_at + 60].min
            )
          end

          # Where it is approved by hand, the registry's word counts and nobody else's.
          def waiting_for(transfer)
            begun = state.set_going_at(step.id)
            return sentence(step.by_letter? ? :written : :said, begun: begun) if begun
            return sentence(:passed_on) if state.approved?

            sentence(plan.lapses? ? :lapses : :silence, asked: asked, until: transfer.act_at)
          end

          # Has the losing registrar taken the approval? Asked where it was tried before and no
          # answer is known.
          def approved_there?
            state.tries(step.id).positive? && transfer(at: losing)&.status != "pending"
          end

          # What the losing side's own mail says, where it has come.
          def asked
            mail =
              move.events.reverse.find { |e| e.counts? && e.data["kind"] == "approval-request" }
            asker = plan.lapses? ? Words.phrase("common.the_registry") : losing.title
            told =
              (
                if mail
                  sentence(:wrote, asker: asker, wrote_at: mail.at)
                else
                  sentence(:waits, asker: asker)
                end
              )
            state.wished? ? sentence(:wished, told: told) : told
          end

          def approve
            intend(sentence(:approving)) do |key|
              epp(losing, Commands.transfer(op: "approve", name: plan.name, id: key))
            end
          end
        end
      end
    end
  end
end
