# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # When a move ends, as many possible ends: each step's duration is drawn (Duration) and summed
      # along the dependencies (Monte Carlo; textbook). The draws of one
      # duration are stratified (one from each of as many equal shares, in shuffled order: McKay,
      # Beckman and Conover 1979, from memory), so that a few hundred are as good as thousands drawn
      # freely. Seeded: the same plan at the same instant gives the same forecast.
      class Draws
        # So many orders of the shares; steps of one move take different ones.
        ORDERS = 64
        # In so many of ten cases nobody approves, and a release lasts its longest, until finished
        # moves teach more: common practice, no source.
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
          @estimates = {}
          @drawn = {}
        end

        # state: Moves::State; at: now; takes: {step id => Duration} that rule over the plan's own.
        # salt: another one for another move, so that what is drawn for one says nothing of the
        # other. silence: the share of lives in which nobody approves; nil where the durations say
        # that themselves. Returns the possible ends of the whole, in seconds from `at`, unsorted;
        # [0.0, …] where all is done.
        def ends(state, at:, takes: {}, salt: 0, silence: nil)
          steps = state.steps.reject { |s| s.phase == "dropped" }
          rested_on = steps.flat_map { |s| s.step.needs }.to_h { |id| [id, true] }
          known = {}
          last = nil
          steps.each_with_index do |s, i|
            lasting = lasting(s.step, takes[s.step.id], silence)
            known[s.step.id] = own = step_ends(s, i + salt, known, at, lasting)
            # The end of all is the latest end of those on which nothing rests.
            last = later(last, own) unless rested_on[s.step.id]
          end
          last.is_a?(Array) ? last : Array.new(@count, last || 0.0)
        end

        # Draws of one duration in shuffled order. lasting: Duration; order: which of the orders.
        # Returns [Float].
        #   lasting is Forecast::Duration.estimate([0, 1, 2]): two draws, together two.
        def duration(lasting, order)
          place = [lasting, order % ORDERS]
          @drawn[place] || keep(place, table(lasting).values_at(*@orders[place.last]).freeze)
        end

        private

        # How long a step takes: as was learnt, or as its plan says; a release with the share of
        # those that nobody answers.
        def lasting(step, learnt, silence)
          return learnt || estimate(step.takes) unless step.trait?(:approval)
          return learnt if learnt && silence.nil?

          spoken = learnt ? learnt.spoken : estimate(step.takes)
          spoken.silent(silence || SILENCE, step.takes.last)
        end

        def estimate(takes) = @estimates[takes] ||= Duration.estimate(takes)

        # Seconds from now at which a step ends: a number where it is certain, else one for each
        # draw.
        def step_ends(step_state, order, known, at, lasting)
          return 0.0 if step_state.done?

          own = step_state.step.business_days?
          if step_state.active?
            used = at - (step_state.since || at)
            return own ? rest_at_work(used, lasting, order, at) : remaining(used, lasting, order)
          end
          starts =
            step_state.step.needs.map { |id| known[id] }.compact.reduce { |a, b| later(a, b) } ||
              0.0
          own ? at_work(starts, lasting, order, at) : plus(starts, lasting, order)
        end

        # Begun so many seconds from now, or one for each draw, and counted on business days alone.
        def at_work(starts, lasting, order, at)
          lasts = duration(lasting, order)
          begun = starts.is_a?(Array) ? starts : [starts] * @count
          begun.each_with_index.map { |s, i| @business.add(at + s, lasts[i]) - at }
        end

        def rest_at_work(used, lasting, order, at)
          ends = at_work(-used, lasting, order, at)
          conditioned(ends, order) { overdue(lasting) }
        end

        # What is under way has lasted so long already: of all durations only those count that are
        # longer.
        def remaining(used, lasting, order)
          return [lasting.longest - used, 0.0].max.to_f if lasting.certain?

          rests = duration(lasting, order).map { |d| d - used }
          conditioned(rests, order) { overdue(lasting) }
        end

        # As many draws again from those that lie ahead; of the block where none does.
        def conditioned(rests, order)
          ahead = rests.select(&:positive?).sort
          return rests if ahead.size == rests.size

          list = ahead.any? ? ahead : yield
          shares = Array.new(@count) { |k| Duration.quantile(list, (k + 0.5) / @count) }
          shares.values_at(*@orders[order % ORDERS])
        end

        # Longer than ever: it may end at any moment, and take as long again as it usually does.
        def overdue(lasting)
          return [0.0] if lasting.certain?

          middle = table(lasting)[@count / 2]
          Duration.estimate([0, 0, middle]).table(@count)
        end

        def plus(starts, lasting, order)
          if lasting.certain?
            one = lasting.longest
            return starts.is_a?(Array) ? starts.map { |s| s + one } : starts + one
          end

          own = duration(lasting, order)
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
        def table(lasting) = @tables[lasting] ||= lasting.table(@count).freeze
      end
    end
  end
end
