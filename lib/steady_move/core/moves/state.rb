# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # A move's state, folded from its plan and its events; the order of messages and repeats don't
      # matter. Linear in the events.
      class State
        STAGES = ["Survey", "Make ready", "Ordered", "Release", "Landed", "Settled"].freeze
        # desk: what software does next; clock: time alone.
        TURNS = %w[yours theirs desk clock].freeze
        ENDINGS = {
          "called-off" => "Cancelled",
          "refused" => "Refused",
          "lapsed" => "Made safe",
          "settled" => "Settled"
        }.freeze

        attr_reader :plan, :steps, :ending, :turn, :current, :active

        # plan: Plan; events: [Event] in journal order.
        def self.fold(plan, events) = new(plan, events)

        def initialize(plan, events)
          @plan = plan
          @log = Log.new(plan, events)
          @ending = @log.ending
          @steps = fold_steps.freeze
          @by_id = @steps.to_h { |s| [s.step.id, s] }
          @active = @steps.select(&:active?).freeze
          @turn = TURNS.find { |t| @active.any? { |s| s.turn == t } }
          @current = @active.find { |s| s.turn == @turn }
          freeze
        end

        def [](id) = @by_id[id]
        def done?(id) = @log.done.key?(id)
        def approved? = @log.approved
        # Does a person want to approve as soon as it can be done?
        def wished? = !!@log.wished
        # Who wants it, or nil.
        def wished_by = @log.wished || nil
        # The state of the plan's step with a trait, or nil.
        def with_trait(trait) = steps.find { |s| s.step.trait?(trait) }

        # Until when the registry waits for an answer, or nil.
        def deadline
          told = @log.told("deadline")&.data || {}
          told["assumed"] || told.empty? ? @log.noticed || told["deadline"] : told["deadline"]
        end

        # The last proof that told a thing, e.g. “landed_at”; nil where none did.
        def told(key) = @log.told(key)

        # When it ended, or nil.
        def ended_at = @log.ended_by&.at
        # Was an outward act of this step begun, or a person shown what to do by hand, who may have
        # done it?
        def touched?(id) = @log.step(id).touched || @shown.include?(id)

        # True until nothing more will be done: settled, or ended and made safe again.
        def open? = ending.nil? || (ending != "settled" && active.any?)
        # Is the name at the gaining side?
        def landed? = (landing = with_trait(:lands)) ? landing.done? : false

        # Survey … Settled, or how it ended.
        def stage
          return ENDINGS.fetch(ending) if ending

          (steps.find { |s| !s.done? } || steps.last).step.stage
        end

        # Did only a message say that it ended, so that the registry's own word takes that back?
        def ended_by_words? = @log.ended_by&.data&.fetch("words", false) == true
        # When an ending was last taken back, or nil.
        def resumed_at = @log.resumed_at

        # When a person last said that a step by hand is done, or wrote for it; nil where not, or
        # where it is to be done anew.
        def begun_at(id) = @log.step(id).begun_at
        # The same, but nil again once it has become late and the desk asks for it once more.
        def set_going_at(id) = @log.step(id).set_going_at
        # The owner's consent: {given_by, shown, from, until}, or nil.
        def consent = @log.consent
        # For how long the contacts were public: [[Time, Time or nil while they are]].
        def exposed = @log.exposed
        # How often an outward act of this step was begun, and when first.
        def tries(id) = @log.step(id).intended.size
        def first_try_at(id) = @log.step(id).intended.first
        # The last thing seen or done of a step: Event or nil.
        def last_of(id) = @log.step(id).last
        # What was accepted of a step as it is: {difference => reason}; empty where nothing was.
        def accepted(id) = @log.step(id).accepted
        # When somebody wanted a step's differences put right; nil where that has been tried since.
        def mend_wanted?(id) = @log.step(id).mend
        # How often a step had to be done anew.
        def reopened(id) = @log.step(id).reopened

        # Are the contacts public, or were they, longer than the owner consented to?
        def overexposed?(at)
          ends = consent && consent["until"]
          !ends.nil? && exposed.any? { |_, over| (over || at) > ends }
        end

        private

        def fold_steps
          list = plan.steps.map { |step| fold_step(step) }
          @shown = list.select { |s| s.active? && s.step.by_hand? }.to_set { |s| s.step.id }
          return list unless ending && ending != "settled"

          list.map { |s| s.done? ? s : s.dup.tap { |d| d.phase = "dropped" }.freeze } +
            taken_back(list).map { |e| fold_step(e) }
        end

        # The endings that have something to take back; each waits for those of its needs that are
        # among them.
        def taken_back(list)
          there = plan.endings.select { |e| taken_back_by?(e, list) }
          ids = there.map(&:id)
          there.map { |e| e.dup.tap { |s| s.needs = e.needs & ids }.freeze }
        end

        # Was something done, or may it have been, that this step takes back? What a person was
        # shown to do is perhaps done.
        def taken_back_by?(ending_step, list)
          list.any? do |s|
            step = s.step
            step.undo.include?(ending_step.id) && (s.done? || touched?(step.id))
          end
        end

        def fold_step(step)
          mine = @log.step(step.id)
          done = @log.done[step.id]
          phase = phase_of(step, mine, done)
          StepState.new(
            step: step,
            phase: phase,
            since: since(step, mine),
            done_at: done&.at,
            event: done || mine.last,
            turn: turn_of(step, mine)
          ).freeze
        end

        def phase_of(step, mine, done)
          return "done" if done
          return "ahead" unless step.needs.all? { |id| @log.done.key?(id) }

          case mine.last&.type
          when nil, "done"
            "due"
          when "problem"
            "stuck"
          else
            "under-way"
          end
        end

        def turn_of(step, mine)
          problem = mine.last&.type == "problem"
          return "yours" if problem && mine.last.data["yours"]
          if (mine.last && mine.last.data["early"]) || (step.trait?(:approval) && approved?)
            return "theirs"
          end
          # A look that failed takes nobody's task away.
          return mine.set_going_at ? "theirs" : "yours" if step.by_hand?

          problem ? "theirs" : step.turn
        end

        # When the step could begin: when the last of its needs was done, or its own first event.
        def since(step, mine)
          step.needs.filter_map { |id| @log.done[id]&.at }.max || mine.first_at || @log.began_at
        end
      end
    end
  end
end
