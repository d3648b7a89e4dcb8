# frozen_string_literal: true

module SteadyMove
  module Core
    # Lengths of time in words.
    module Durations
      UNITS = [[86_400, "day"], [3600, "hour"], [60, "minute"]].freeze

      module_function

      # seconds → “15 minutes”, “3 days”; the largest unit in which it is a round number of at least one.
      def spoken(seconds)
        size, unit = UNITS.find { |s, _| seconds >= s } || UNITS.last
        count = (seconds / size.to_f).round(1).then { |n| n == n.round ? n.round : n }
        "#{count} #{unit}#{'s' unless count == 1}"
      end
    end
  end
end
