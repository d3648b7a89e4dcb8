# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # Two futures of a move: what people do today, or what comes where nobody does anything. What
      # a person decides in it is told from what others and time take.
      module Futures
        # Whoever acts today does so within so many seconds (common practice: within the day).
        TODAY = 8 * 3600
        # acting, silent: Times (the middle of the possible ends); silent is nil where it never ends
        # by itself; means: what becomes of it then: lands, lapses or stays; ends: the deadline
        # between, where it is known.
        Two = Struct.new(:acting, :silent, :means, :ends, keyword_init: true)

        module_function

        # state: Moves::State; draws: Draws; at: now; takes: as Draws#ends takes them. Returns Two;
        # nil where nothing in it is a person's.
        def simulate(state, draws, at:, takes: {})
          mine = state.steps.reject(&:done?).select { |s| s.phase != "dropped" && person?(s.step) }
          return if mine.empty?

          acting = draws.ends(state, at: at, takes: takes.merge(today(mine, takes)), silence: 0)
          means = means(state, mine)
          silent = draws.ends(state, at: at, takes: takes, silence: 1) if means == "lands"
          Two.new(
            acting: middle(acting, at),
            silent: silent && middle(silent, at),
            means: means,
            ends: state.deadline
          )
        end

        def person?(step)
          step.trait?(:approval) ? !step.by_time? : step.actor == "yours" || step.by_hand?
        end

        # Only a release goes on without anybody; where its silence ends the transfer, it lapses.
        def means(state, mine)
          return "stays" unless mine.all? { |s| s.step.trait?(:approval) }

          state.plan.lapses? ? "lapses" : "lands"
        end

        def today(mine, takes)
          mine.to_h do |s|
            usual = takes[s.step.id]&.spoken || Duration.estimate(s.step.takes)
            [s.step.id, usual.within(TODAY)]
          end
        end

        def middle(ends, at) = Spread.new(ends, at: at).p50
        private_class_method :person?, :means, :today, :middle
      end
    end
  end
end
