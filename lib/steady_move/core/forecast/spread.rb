# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # Many possible ends as a range: the tenth, the middle and the ninetieth of a hundred, and the
      # chance of any day.
      class Spread
        # ends: seconds from `at`, as Draws gives them.
        def initialize(ends, at:)
          @at = at
          @sorted = ends.sort
        end

        # Several moves end together when the last of them does; draws of the same number count as
        # one life.
        def self.together(lists, at:)
          new(lists.first.each_index.map { |i| lists.map { |l| l[i] }.max }, at: at)
        end

        def p10 = range[0]
        def p50 = range[1]
        def p90 = range[2]
        # [p10, p50, p90] as Times.
        def range = @range ||= [0.1, 0.5, 0.9].map { |share| quantile(share) }.freeze

        # The instant by which a share of the possible ends lies (0..1). Returns a Time.
        def quantile(share) = @at + @sorted[[(share * @sorted.size).ceil - 1, 0].max].round

        # The chance to be done by a Time, 0..1.
        def chance_by(time)
          limit = time - @at
          (@sorted.bsearch_index { |s| s > limit } || @sorted.size) / @sorted.size.to_f
        end

        # [[Time, chance]] at the end of each of so many equal stretches up to the last possible
        # end: the curve.
        def curve(points: 24)
          last = @sorted.last
          return [[@at, 1.0]] if last <= 0

          (1..points).map { |k| @at + (last * k / points) }.map { |t| [t, chance_by(t)] }
        end

        # The latest start with which it is done by a Time in so many of ten cases.
        def start_before(time, share: 0.9) = time - (quantile(share) - @at)

        def mean = @sorted.sum / @sorted.size
        def variance = @sorted.sum { |s| (s - mean)**2 } / @sorted.size
      end
    end
  end
end
