# frozen_string_literal: true

module SteadyMove
  module Core
    module Rehearsal
      # What came of many runs of several plans: how often what went wrong, how long it took, what a
      # person was asked for and when.
      class Summary
        # share: in how many of a hundred lives of a move. Ask: step id; share; after: [earliest,
        # middle, latest] seconds from the start, of the middle eight in ten.
        Fault = Struct.new(:id, :share, keyword_init: true)
        Ask = Struct.new(:step, :share, :after, keyword_init: true)

        # lives: [[Run::Result for each plan] for each run]; starts: seconds after the first at
        # which each plan starts.
        def initialize(lives, starts:)
          @lives = lives
          @starts = starts
          @all = lives.flatten
        end

        # {ending => share of a hundred}.
        def endings = @all.map(&:ending).tally.transform_values { |n| share(n) }
        # Seconds until the last of all is over: Forecast::Spread over an instant.
        def spread(at:) = Forecast::Spread.new(@lives.map { |life| finish(life) }, at: at)

        # [Fault], the most frequent first.
        def faults
          found = @all.flat_map(&:faults).tally.map { |id, n| Fault.new(id: id, share: share(n)) }
          found.sort_by { |f| [-f.share, f.id] }
        end

        # [Ask] in the order in which they usually come.
        def asks
          times = Hash.new { |h, k| h[k] = [] }
          counts = Hash.new(0)
          @lives.each do |life|
            life.each_with_index { |result, i| hear(result, @starts[i], times, counts) }
          end
          found =
            times.map do |step, list|
              Ask.new(step: step, share: share(counts[step]), after: middle(list.sort))
            end
          found.sort_by { |a| [a.after[1], a.step] }
        end

        private

        def share(count) = @all.empty? ? 0 : (100.0 * count / @all.size).round
        def finish(life) = life.each_with_index.map { |r, i| @starts[i] + r.seconds }.max

        def hear(result, start, times, counts)
          result.asks.each { |step, after| times[step] << (start + after) }
          result.asks.map(&:first).uniq.each { |step| counts[step] += 1 }
        end

        def middle(sorted)
          [0.1, 0.5, 0.9].map { |q| sorted[[(q * sorted.size).ceil - 1, 0].max].round }
        end
      end
    end
  end
end
