# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Arithmetic of half-open intervals [from, to), the only place for it. Bounds are seconds since 1970 (UTC) as
      # Integers; ±Float::INFINITY where there is no end. Empty intervals vanish.
      module Intervals
        module_function

        # Overlapping and touching intervals become one; the result is sorted and free of overlap.
        def union(intervals)
          intervals.select { |from, to| from < to }.sort.each_with_object([]) do |(from, to), out|
            last = out.last
            if last && from <= last[1]
              last[1] = to if to > last[1]
            else
              out << [from, to]
            end
          end
        end

        # What of [from, to) no interval covers.
        def complement(intervals, from, to)
          open = []
          union(intervals).each do |a, b|
            break if a >= to

            open << [from, a] if a > from
            from = b if b > from
          end
          open << [from, to] if from < to
          open
        end

        # The parts within [from, to), overlaps kept apart.
        def clip(intervals, from, to)
          intervals.filter_map do |a, b|
            a = from if a < from
            b = to if b > to
            [a, b] if a < b
          end
        end

        # Seconds covered.
        def total(intervals) = union(intervals).sum { |from, to| to - from }
      end
    end
  end
end
