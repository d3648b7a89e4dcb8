# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # A move's state, folded from its plan and its events; the order of messages and repeats don't matter.
      class State
        STAGES = ["Survey", "Make ready", "Ordered", "Release", "Landed", "Settled"].freeze
        SET_GOING = %w[said letter].freeze
        ENDINGS = { "called-off" => "Called off", "refused" => "Refused", "settled" => "Settled" }.freeze

        attr_reader :plan, :steps, :ending, :deadline

        # plan: Plan; events: [Event] in journal order.
        def self.fold(plan, events) = new(plan, events)

        def initialize(plan, events)
          @plan = plan
          @events = events
          @by_step = events.group_by(&:step)
          @done = proven(events)
          @ending = events.map(&:type).find { |t| %w[called-off refused].include?(t) } ||
                    ("settled" if events.any? { |e| e.type == "settled" })
          @deadline = events.filter_map { |e| e.data["deadline"] if e.step == "registry-pending" && e.done? }.last
          @steps = fold_steps.freeze
          freeze
        end

        def [](id) = steps.find { |s| s.step.id == id }
        def done?(id) = @done.key?(id)
        def active = steps.select(&:active?)
        def approved? = @events.any? { |e| e.type == "approved" }

        # True until nothing more will be done: settled, or ended and made safe again.
        def open? = ending.nil? || (ending != "settled" && active.any?)

        # Survey … Settled, or how it ended.
        def stage
          return ENDINGS.fetch(ending) if ending

          (steps.find { |s| !s.done? } || steps.last).step.stage
        end

        # yours, theirs or clock: a person's turn goes before the others'.
        def turn = %w[yours theirs clock].find { |t| active.any? { |s| s.turn == t } }

        # The step that the move waits for first in this turn.
        def current = active.find { |s| s.turn == turn }

        # When a person last said that a step by hand is done, or wrote for it; nil where not, or where it is to be done anew.
        def begun_at(id)
          last = @by_step.fetch(id, []).reverse.find { |e| SET_GOING.include?(e.type) || e.type == "reopened" }
          last.at if last && last.type != "reopened"
        end

        # The same, but nil again once it has become late and the desk asks for it once more.
        def set_going_at(id)
          last = @by_step.fetch(id, []).reverse.find { |e| SET_GOING.include?(e.type) || (e.type == "problem" && e.data["yours"]) }
          begun_at(id) if last && last.type != "problem"
        end

        # The owner's consent: {given_by, shown, from, until}, or nil.
        def consent = @events.reverse.find { |e| e.type == "consent" }&.data

        # For how long the contacts were public: [[Time, Time or nil while they are]].
        def exposed
          @events.select(&:done?).each_with_object([]) do |e, spans|
            open = spans.any? && spans.last.last.nil?
            spans << [e.at, nil] if e.step == "contacts-shown" && !open
            spans.last[1] = e.at if %w[privacy-back privacy-again].include?(e.step) && open
          end
        end

        # Are the contacts public, or were they, longer than the owner consented to?
        def overexposed?(at)
          ends = consent && consent["until"]
          !ends.nil? && exposed.any? { |_, over| (over || at) > ends }
        end

        # How often an outward act of this step was begun.
        def tries(id) = @by_step.fetch(id, []).count { |e| e.type == "intended" }

        private

        # Steps proven done and not reopened since; with a step goes all that rests on it.
        def proven(events)
          events.each_with_object({}) do |e, done|
            done[e.step] = e if e.done? && !done.key?(e.step)
            resting_on(e.step).each { |id| done.delete(id) } if e.type == "reopened"
          end
        end

        def resting_on(id)
          [id] + plan.steps.select { |s| s.needs.include?(id) }.flat_map { |s| resting_on(s.id) }
        end

        def fold_steps
          list = plan.steps.map { |step| fold_step(step) }
          return list unless ending && ending != "settled"

          list = list.map { |s| s.done? ? s : s.dup.tap { |d| d.phase = "dropped" }.freeze }
          list << fold_step(plan.own(Steps::MAKE_SAFE)) if begun?(%w[unlock order])
          list << fold_step(plan.own(Steps::PRIVACY_AGAIN)) if begun?(%w[privacy-off])
          list
        end

        # Was something done, or may it have been, that has to be taken back: the lock came off, the privacy service, an order went out?
        def begun?(steps) = @events.any? { |e| steps.include?(e.step) && (e.done? || e.type == "intended" || SET_GOING.include?(e.type)) }

        def fold_step(step)
          mine = @by_step.fetch(step.id, [])
          last = mine.reject { |e| e.type == "reopened" }.last
          phase = phase_of(step, last)
          StepState.new(step: step, phase: phase, since: since(step, mine), done_at: @done[step.id]&.at,
                        says: @done[step.id]&.says || last&.says,
                        turn: turn_of(step, last)).freeze
        end

        def phase_of(step, last)
          return "done" if @done.key?(step.id)
          return "ahead" unless step.needs.all? { |id| @done.key?(id) }

          case last&.type
          when nil, "done" then "due"
          when "problem" then "stuck"
          else "under-way"
          end
        end

        def turn_of(step, last)
          return "yours" if last&.type == "problem" && last.data["yours"]
          return "theirs" if step.id == "release" && approved?
          return set_going_at(step.id) ? "theirs" : "yours" if step.by_hand? && last&.type != "problem"

          last&.type == "problem" ? "theirs" : step.actor
        end

        # When the step could begin: when the last of its needs was done, or its own first event.
        def since(step, mine)
          step.needs.filter_map { |id| @done[id]&.at }.max || mine.first&.at || @events.first&.at
        end
      end
    end
  end
end
