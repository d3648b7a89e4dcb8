# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Every wait for somebody else ends: what took much longer than it may becomes a person's
      # turn, with whom to ask and where to look. The desk goes on looking beside that.
      class Patience
        HOUR = 3600
        DAY = 86_400
        # So much longer than the most that a step usually takes (common practice, no source); never
        # less than LEAST.
        QUICK = 4
        SLOW = 1.5
        LEAST = 6 * HOUR

        def initialize(ports, move, step_id)
          @ports = Ports.of(ports)
          @move = move
          @state = move.state[step_id]
        end

        # The outcome as it is, or as a person's turn where patience has run out.
        def with(outcome)
          return outcome unless runs_out?(outcome)

          says =
            Words.phrase(
              "acts.overdue",
              says: outcome.says,
              since: @state.since,
              ask:
                Words.phrase(
                  "acts.ask.#{whom}",
                  **Common::MoveWords.values(@move.plan, @ports.accounts)
                )
            )
          outcome.dup.tap do |o|
            o.kind = "problem"
            o.yours = true
            o.says = says
            o.look_at = [o.look_at, @ports.now + (HOUR / 2)].compact.max
          end
        end

        private

        # What only waits for a person, or for an instant that was told, is nobody's lateness.
        def runs_out?(outcome)
          return false if outcome.yours || waits_for_person?(outcome) || scheduled?(outcome)

          @ports.now >= @state.since + limit
        end

        # What a person does by hand has an end of its own; only a look that always fails has none.
        def waits_for_person?(outcome)
          if @state.step.by_hand? && !@state.step.trait?(:approval)
            return outcome.kind != "problem" || !begun?
          end

          outcome.kind != "problem" && @state.turn == "yours"
        end

        def begun? = !@move.state.set_going_at(@state.step.id).nil?

        def scheduled?(outcome)
          ends = outcome.says.is_a?(Core::Phrase) ? outcome.says.values[:until] : nil
          ends.is_a?(Time) && ends > @ports.now
        end

        def limit
          most = @state.step.takes.last
          most >= DAY ? most * SLOW : [most * QUICK, LEAST].max
        end

        # Whom to ask: the side that does it, or whose doing shows in the record.
        def whom
          step = @state.step
          return "dns" if step.talks_to == "dns"

          if step.place == "gaining" || (step.talks_to == "gaining" && !step.trait?(:approval))
            "gaining"
          else
            "losing"
          end
        end
      end
    end
  end
end
