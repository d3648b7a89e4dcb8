# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # Arithmetic of half-open intervals [from, to), the only place for it. Bounds are seconds
      # since 1970 (UTC) as Integers; ±Float::INFINITY where there is no end. Empty intervals
      # vanish.
      module Intervals
        module_function

        # Overlapping and touching intervals become one; the result is sorted and free of overlap.
        #   Readiness::Intervals.union([[3, 5], [1, 3], [7, 7], [8, 9]]) # => [[1, 5], [8, 9]]
        def union(intervals)
          return [] if intervals.empty?

          out = []
          last = nil
          intervals.sort.each do |from, to|
            next unless from < to

            if last && from <= last[1]
              last[1] = to if to > last[1]
            else
              out << (last = [from, to])
            end
          end
          out
        end

        # What of [from, to) no interval covers.
        #   Readiness::Intervals.complement([[2, 4]], 0, 10) # => [[0, 2], [4, 10]]
        def complement(intervals, from, to)
          open = []
          (intervals.size < 2 ? intervals : union(intervals)).each do |a, b|
            break if a >= to
            next if a >= b

            open << [from, a] if a > from
            from = b if b > from
          end
          open << [from, to] if from < to
          open
        end

        # Seconds covered.
        #   Readiness::Intervals.total([[0, 5], [3, 8]]) # => 8
        def total(intervals) = union(intervals).sum { |from, to| to - from }
      end
    end
  end
end
