# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # A plan as it would be with what was learnt of its registrars since it was made. What was
      # begun or done stays as it was; only steps that nobody has set going are put together anew.
      #
      #   found = Moves::Revision.new(state, ways: account.ways, options: options)
      #   found.lines, found.plan
      class Revision
        # Options of a plan that follow from a registrar's habits alone.
        HABITUAL = %i[ask identity one_letter confirm_link confirm_halves confirm_code].freeze
        # id: of the step; kind: added, gone or way; was, is: ways (Channels) where these differ.
        Line = Struct.new(:id, :kind, :was, :is, keyword_init: true)

        # state: State of the move; ways: {act => way} as they are now; options: [Symbol], as a plan
        # would have them now, of which HABITUAL count.
        def initialize(state, ways:, options:)
          @state = state
          @old = state.plan
          @ways = ways
          @options = (@old.options - HABITUAL) + (HABITUAL & options)
        end

        # What would change: [Line], in the order of the steps.
        def lines
          @lines ||= plan.steps.filter_map { |s| line(s) } + gone
        end

        def any? = lines.any?

        # Returns the Plan with its steps as they would be.
        def plan
          @plan ||=
            begin
              given = @old.given.merge(options: @options, ways: @old.ways.merge(@ways))
              anew = Plan.of(**given)
              Plan.new(**anew.to_h, steps: steps(anew)).freeze
            end
        end

        private

        def steps(anew)
          kept = @old.steps.select { |s| settled?(s) }
          ids = kept.map(&:id)
          Steps.in_turn((kept + anew.steps.reject { |s| ids.include?(s.id) }).sort_by { |s| at(s) })
        end

        # Its place in the usual order, whichever version declared it.
        def at(step) = Steps.find(step.id)&.order || step.order

        # Was it done, or has somebody or the desk begun it?
        def settled?(step)
          found = @state[step.id]
          found&.done? || @state.tries(step.id).positive? || !@state.begun_at(step.id).nil? ||
            !@state.set_going_at(step.id).nil?
        end

        def line(step)
          before = @old.steps.find { |s| s.id == step.id }
          return Line.new(id: step.id, kind: "added", is: step.way) unless before
          return if before.way == step.way

          Line.new(id: step.id, kind: "way", was: before.way, is: step.way)
        end

        def gone
          ids = plan.steps.map(&:id)
          @old
            .steps
            .reject { |s| ids.include?(s.id) }
            .map { |s| Line.new(id: s.id, kind: "gone", was: s.way) }
        end
      end
    end
  end
end
