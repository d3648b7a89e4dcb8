# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # What finished moves teach about a duration: the estimate moves from the starting value
      # towards what was seen, the more, the more was seen (shrinkage with the starting value as so
      # many observations; textbook, the weight common practice).
      module Learning
        # As many observations as the starting value counts for.
        PRIOR = 4
        # Fewer than this teach nothing.
        LEAST = 2

        module_function

        # prior: [least, usual, most] seconds; seen: [seconds]. Returns the better estimate, in
        # whole seconds.
        #   Forecast::Learning.blend([60, 900, 3600], [300, 300, 300, 300]) # => [180, 600, 1950]
        def blend(prior, seen)
          return prior if seen.size < LEAST

          weight = seen.size / (seen.size + PRIOR).to_f
          sorted = seen.sort
          middle = sorted[sorted.size / 2]
          found = [sorted.first, middle, sorted.last]
          prior.zip(found).map { |was, is| (was + (weight * (is - was))).round }
        end
      end
    end
  end
end
