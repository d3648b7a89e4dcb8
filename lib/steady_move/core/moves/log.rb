# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # A move's events gone through once, and what they say of each step and of the whole.
      class Log
        # What the events of one step say. touched: was an outward act begun, or a person set going;
        # last: Event, but for “reopened”.
        OfStep =
          Struct.new(
            :first_at,
            :last,
            :begun_at,
            :set_going_at,
            :intended,
            :touched,
            :accepted,
            :mend,
            :reopened
          )
        NOTHING = OfStep.new(nil, nil, nil, nil, [].freeze, false, {}.freeze, false, 0).freeze
        SET_GOING = %w[said letter].freeze
        NOTICES = %w[leaving-notice approval-request].freeze
        TOUCHING = %w[done intended said letter].freeze
        SHOWING = %w[waiting problem].freeze
        OVER = %w[called-off refused lapsed].freeze

        # done: {step id => Event that proved it}; exposed: [[from, to or nil]].
        # ended_by: the Event that ended it, or nil; resumed_at: when an ending was last taken back.
        # noticed: the deadline in the losing side's or the registry's own notice, or nil.
        attr_reader :noticed,
                    :done,
                    :ending,
                    :ended_by,
                    :resumed_at,
                    :approved,
                    :wished,
                    :consent,
                    :exposed,
                    :began_at

        def initialize(plan, events)
          @traits = (plan.steps + plan.endings).to_h { |s| [s.id, s.traits] }
          @by_hand = plan.steps.select(&:by_hand?).to_set(&:id)
          @resting = resting(plan.steps)
          @steps = {}
          @done = {}
          @told = {}
          @exposed = []
          @approved = false
          @wished = false
          @began_at = events.first&.at
          events.each { |e| hear(e) }
        end

        def step(step) = @steps.fetch(step, NOTHING)
        def told(key) = @told[key]

        private

        # {step id => ids of all that rests on it, itself included}.
        def resting(steps)
          steps
            .reverse
            .each_with_object({}) do |step, all|
              above = steps.select { |s| s.needs.include?(step.id) }
              all[step.id] = [step.id] | above.flat_map { |s| all.fetch(s.id, [s.id]) }
            end
        end

        def hear(event)
          case event.type
          when *OVER, "settled"
            over(event)
          when "resumed"
            resume(event)
          when "approved"
            @approved = true
          when "wished"
            @wished = event.by
          when "unwished"
            @wished = false
          when "consent"
            @consent = event.data
          when "mail"
            notice(event)
          end
          about(event) if event.step
        end

        def over(event)
          return if @ending

          @ending = event.type
          @ended_by = event
        end

        def resume(event)
          @ending = @ended_by = nil
          @resumed_at = event.at
        end

        def notice(event)
          told =
            NOTICES.include?(event.data["kind"]) && %w[losing registry].include?(event.data["side"])
          @noticed = event.data["deadline"] || @noticed if told && event.counts?
        end

        def about(event)
          mine = @steps[event.step] ||= OfStep.new(event.at, nil, nil, nil, [], false, {}, false, 0)
          mine.last = event unless says_nothing?(event, mine)
          case event.type
          when "done"
            prove(event, mine)
          when "accepted"
            accept(event, mine)
          when "mend"
            mine.mend = true
          when "intended"
            mine.intended << event.at
          when "reopened"
            reopen(event, mine)
          when "problem"
            mine.set_going_at = nil if event.data["yours"]
          when *SET_GOING
            mine.begun_at = mine.set_going_at = event.at
          end
          mine.mend = false if %w[done problem].include?(event.type)
          mine.touched ||= TOUCHING.include?(event.type) || shown?(event)
        end

        # What is about to be tried once more changes nothing of what was last seen: a problem stays
        # a person's until the outcome is known.
        def says_nothing?(event, mine)
          event.type == "reopened" || (event.type == "intended" && !mine.last.nil?)
        end

        # What a person is shown to do by hand may be done, whatever they say.
        def shown?(event) = @by_hand.include?(event.step) && SHOWING.include?(event.type)

        def prove(event, _mine)
          @done[event.step] ||= event
          event.data.each_key { |key| @told[key] = event }
          traits = @traits.fetch(event.step, [])
          @exposed << [event.at, nil] if traits.include?(:exposes) && !open?
          @exposed.last[1] = event.at if traits.include?(:covers) && open?
        end

        # Left as it is: the step counts as done; or only some differences are, and it is looked at
        # again.
        def accept(event, mine)
          mine.accepted =
            mine.accepted.merge(
              event.data.fetch("differences", []).to_h { |d| [d, event.data["reason"]] }
            )
          @done[event.step] ||= event if event.data["whole"]
        end

        # With a step goes all that rests on it.
        def reopen(event, mine)
          mine.reopened += 1
          mine.begun_at = mine.set_going_at = nil
          @resting.fetch(event.step, [event.step]).each { |id| @done.delete(id) }
        end

        def open? = @exposed.any? && @exposed.last.last.nil?
      end
    end
  end
end
