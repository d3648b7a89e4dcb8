# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # When a move ends, as many possible ends: each step's duration is drawn from its triangular
      # distribution and summed along the dependencies (Monte Carlo; textbook). The draws of one
      # duration are stratified (one from each of as many equal shares, in shuffled order: McKay,
      # Beckman and Conover 1979, from memory), so that a few hundred are as good as thousands drawn
      # freely. Seeded: the same plan at the same instant gives the same forecast.
      class Draws
        # So many orders of the shares; steps of one move take different ones.
        ORDERS = 64
        # In so many of ten cases nobody approves, and a release lasts its longest: common practice,
        # no source.
        SILENCE = 0.3

        attr_reader :count

        # count: draws; seed: for their orders; business: BusinessDays, for steps that only go on
        # then.
        def initialize(count: 500, seed: 1, business: BusinessDays.new)
          @business = business
          random = Random.new(seed)
          @count = count
          @orders = Array.new(ORDERS) { (0...count).to_a.shuffle(random: random).freeze }.freeze
          @tables = {}
          @drawn = {}
        end

        # state: Moves::State; at: now; takes: {step id => [least, usual, most] seconds} that rule
        # over the plan's own. salt: another one for another move, so that what is drawn for one
        # says nothing of the other. silence: the share of lives in which nobody approves.
        # Returns the possible ends of the whole, in seconds from `at`, unsorted; [0.0, …] where all
        # is done.
        def ends(state, at:, takes: {}, salt: 0, silence: SILENCE)
          steps = state.steps.reject { |s| s.phase == "dropped" }
          rested_on = steps.flat_map { |s| s.step.needs }.to_h { |id| [id, true] }
          known = {}
          last = nil
          steps.each_with_index do |s, i|
            quiet = s.step.trait?(:approval) ? silence : 0
            known[s.step.id] = own =
              step_ends(s, i + salt, known, at, takes[s.step.id] || s.step.takes, quiet)
            # The end of all is the latest end of those on which nothing rests.
            last = later(last, own) unless rested_on[s.step.id]
          end
          last.is_a?(Array) ? last : Array.new(@count, last || 0.0)
        end

        # Draws of one duration in shuffled order. order: which of the orders. Returns [Float].
        # silence: the share that lasts the longest.
        #   Forecast::Draws.new(count: 2).duration([0, 1, 2], 0).sum.round # => 2
        #   Forecast::Draws.new(count: 2).duration([0, 1, 9], 0, silence: 0.5).max # => 9.0
        def duration(takes, order, silence: 0)
          place = [takes, silence, order % ORDERS]
          @drawn[place] || keep(place, table(takes, silence).values_at(*@orders[place.last]).freeze)
        end

        private

        # Seconds from now at which a step ends: a number where it is certain, else one for each
        # draw.
        def step_ends(step_state, order, known, at, takes, silence)
          return 0.0 if step_state.done?

          own = step_state.step.business_days?
          return at_work(-used(step_state, at), takes, order, at) if step_state.active? && own
          return remaining(step_state, order, at, takes, silence) if step_state.active?

          starts =
            step_state.step.needs.map { |id| known[id] }.compact.reduce { |a, b| later(a, b) } ||
              0.0
          own ? at_work(starts, takes, order, at) : plus(starts, takes, order, silence)
        end

        # Begun so many seconds from now, or one for each draw, and counted on business days alone;
        # never over before now.
        def at_work(starts, takes, order, at)
          lasts = duration(takes, order)
          begun = starts.is_a?(Array) ? starts : [starts] * @count
          begun.each_with_index.map { |s, i| [@business.add(at + s, lasts[i]) - at, 0.0].max }
        end

        def used(step_state, at) = at - (step_state.since || at)

        # What is under way has used up a part of its time already; it can't have ended before now.
        def remaining(step_state, order, at, takes, silence)
          used = used(step_state, at)
          return [takes.first - used, 0.0].max.to_f if takes.first == takes.last

          duration(takes, order, silence: silence).map { |d| d > used ? d - used : 0.0 }
        end

        def plus(starts, takes, order, silence)
          if takes.first == takes.last
            return starts.is_a?(Array) ? starts.map { |s| s + takes.first } : starts + takes.first
          end

          own = duration(takes, order, silence: silence)
          return starts.zero? ? own : own.map { |d| starts + d } unless starts.is_a?(Array)

          i = -1
          starts.map { |s| s + own[i += 1] }
        end

        # The same durations come again and again; so many of them are kept.
        KEPT = 4000
        private_constant :KEPT

        def keep(place, list)
          @drawn.clear if @drawn.size >= KEPT
          @drawn[place] = list
        end

        def later(one, other)
          return one || other if one.nil? || other.nil?
          return [one, other].max unless one.is_a?(Array) || other.is_a?(Array)

          list, rest = one.is_a?(Array) ? [one, other] : [other, one]
          return list.map { |a| [a, rest].max } unless rest.is_a?(Array)

          i = -1
          list.map { |a| (b = rest[i += 1]) > a ? b : a }
        end

        # The middle of each share.
        def table(takes, silence)
          @tables[[takes, silence]] ||= Array
            .new(@count) do |k|
              share = (k + 0.5) / @count
              next takes.last.to_f if silence == 1

              if share > 1 - silence
                takes.last.to_f
              else
                Triangular.quantile(*takes, share / (1 - silence))
              end
            end
            .freeze
        end
      end
    end
  end
end
