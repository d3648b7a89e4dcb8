# frozen_string_literal: true

module SteadyMove
  module Core
    module Rehearsal
      # One life of a plan at full speed: its own steps, waits and endings, folded by the same state
      # as a real move, with durations and faults drawn. Nothing outside is touched.
      class Run
        # seconds: until the end; ending: settled, refused, …, or “stuck” where no end was reached;
        # faults: [id]; asks: [[step id, seconds from the start]] of what a person was asked for.
        Result = Struct.new(:seconds, :ending, :faults, :asks, keyword_init: true)
        # No life has more events than this.
        MOST = 300
        # How long a person takes to put something right: seconds, common practice.
        MENDED = [1800, 14_400, 86_400].freeze
        START = Time.utc(2000, 1, 1)

        # plan: Moves::Plan; chance: answers call with a number in 0...1; takes: {step id =>
        # Forecast::Duration} that rule over the plan's own.
        def initialize(plan, chance:, takes: {})
          @plan = plan
          @chance = chance
          @takes = takes
        end

        # Lives it through once. Returns Result.
        def call
          @now = START
          @events = [event("planned")]
          @ends = {}
          @faults = {}
          @asks = []
          live
          state = fold
          Result.new(
            seconds: @now - START,
            faults: @faults.values.flatten.map(&:id).uniq,
            asks: @asks,
            ending: state.open? ? "stuck" : state.ending
          )
        end

        private

        def live
          MOST.times do
            state = fold
            break if over?(state)

            active = state.active
            active.each { |s| begin_step(s) }
            break if active.empty?

            step = active.min_by { |s| @ends.fetch(s.step.id) }.step
            @now = [@now, @ends.delete(step.id)].max
            finish(step)
          end
        end

        def over?(state)
          return !state.open? if state.ending
          return false unless state.steps.all?(&:done?)

          @events << event("settled")
          true
        end

        def fold = Moves::State.fold(@plan, @events)

        # How long it takes this time, and whom it waits for.
        def begin_step(step_state)
          step = step_state.step
          return if @ends.key?(step.id)

          fault = step.ending || @faults.key?(step.id) ? nil : Faults.draw(step, @chance)
          (@faults[step.id] ||= []) << fault if fault
          @asks << [step.id, @now - START] if asked?(step_state)
          @ends[step.id] = @now + lasting(step, fault)
        end

        def asked?(step_state) = step_state.turn == "yours" || step_state.step.by_hand?

        def lasting(step, fault)
          lasting = @takes[step.id] || Forecast::Duration.estimate(step.takes)
          case fault&.effect
          when :slow
            lasting.longest * 2
          when :longest
            lasting.longest
          else
            lasting.at(@chance.call)
          end
        end

        # It is done, or what befalls it comes first.
        def finish(step)
          fault = @faults[step.id]&.last
          return ended(step) if fault&.effect == :ends && !seen?(step, "refused")
          return anew(step) if fault&.effect == :anew && code && !seen?(step, "reopened")
          return mend(step) if fault&.effect == :yours && !seen?(step, "problem")

          @events << event("done", step.id, done_data(step))
        end

        def ended(_step)
          @events << event("refused")
          @ends.clear
        end

        def anew(step)
          @seen_anew = step.id
          @events << event("reopened", code.id)
          @ends.clear
        end

        # A person puts it right; then it is looked at once more.
        def mend(step)
          @events << event("problem", step.id, { "yours" => true })
          @asks << [step.id, @now - START]
          @ends[step.id] = @now + Forecast::Triangular.quantile(*MENDED, @chance.call)
        end

        def seen?(step, type)
          return @seen_anew == step.id if type == "reopened"

          @events.any? { |e| e.type == type && (e.step == step.id || type == "refused") }
        end

        def code = @plan.with_trait(:code)
        def done_data(step) = step.trait?(:lands) ? { "landed_at" => @now } : {}

        def event(type, step = nil, data = {})
          Moves::Event.new(
            seq: @events.to_a.size + 1,
            at: @now,
            type: type,
            step: step,
            says: "",
            evidence: {
            },
            data: data,
            by: "rehearsal"
          ).freeze
        end
      end
    end
  end
end
