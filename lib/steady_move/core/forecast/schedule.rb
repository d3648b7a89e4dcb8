# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # When each step begins and ends: past as it was, ahead as a span along the dependencies.
      module Schedule
        # starts, ends: [earliest, usual, latest] as Times; past: true where both are known for
        # certain.
        Block = Struct.new(:id, :starts, :ends, :past, keyword_init: true)

        module_function

        # state: Moves::State; at: now. Returns Blocks in the plan's order. The longest path rules
        # (PERT/CPM's forward pass, common practice); what should have ended by now ends now at the
        # earliest.
        def draft(state, at:)
          ends = {}
          state
            .steps
            .reject { |s| s.phase == "dropped" }
            .map do |s|
              block = s.done? ? past(s) : ahead(s, ends, at)
              ends[s.step.id] = block.ends
              block
            end
        end

        # [earliest, usual, latest] end of the whole.
        def finish(blocks) = (0..2).map { |i| blocks.map { |b| b.ends[i] }.max }

        def past(step_state)
          Block.new(
            id: step_state.step.id,
            starts: [step_state.since] * 3,
            ends: [step_state.done_at] * 3,
            past: true
          )
        end

        def ahead(step_state, ends, at)
          starts =
            (0..2).map do |i|
              if step_state.active?
                (step_state.since || at)
              else
                ([at] + step_state.step.needs.map { |id| ends.fetch(id)[i] }).max
              end
            end
          finish = (0..2).map { |i| [starts[i] + step_state.step.takes[i], at].max }
          Block.new(id: step_state.step.id, starts: starts, ends: finish, past: false)
        end
        private_class_method :past, :ahead
      end
    end
  end
end
