# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # Public holidays of a region, from the holidays gem, for what only goes on on business days.
      module HolidayCalendar
        # So far ahead they are looked up (days).
        AHEAD = 500

        module_function

        # Codes of the regions that there are, e.g. “gb”, “de_by”.
        def regions
          require "holidays"
          Holidays.available_regions.map(&:to_s).sort
        end

        # region: a code, or nil for weekends alone; at: Time. Returns Core::Forecast::BusinessDays.
        def days(region, at:)
          return Core::Forecast::BusinessDays.new unless region

          require "holidays"
          first = at.to_date - 1
          days = Holidays.between(first, first + AHEAD, region.to_sym).map { |h| h[:date] }
          Core::Forecast::BusinessDays.new(days)
        end
      end
    end
  end
end
