# frozen_string_literal: true

require "date"

module SteadyMove
  module Core
    module Forecast
      # Time that only counts on business days: Monday to Friday less holidays, whole days of 24
      # hours in UTC (rules of the job §1: a forecast, never a rule).
      class BusinessDays
        DAY = 86_400

        # holidays: [Date].
        def initialize(holidays = [])
          @holidays = holidays.to_h { |d| [d.jd, true] }
          @known = {}
          freeze
        end

        # The instant at which so many seconds of business time have passed.
        #   Forecast::BusinessDays.new.add(Time.utc(2027, 3, 5), 86_400) # => Time.utc(2027, 3, 8)
        def add(time, seconds)
          at = time.to_f
          day = at.div(DAY)
          unless open?(day)
            day += 1 until open?(day)
            at = day * DAY
          end
          left = seconds
          while (rest = ((day + 1) * DAY) - at) <= left
            left -= rest
            day += 1
            day += 1 until open?(day)
            at = day * DAY
          end
          Time.at(at + left).utc
        end

        # Seconds of business time between two instants.
        #   Forecast::BusinessDays.new.between(Time.utc(2027, 3, 5), Time.utc(2027, 3, 8))
        #     # => 86400.0
        def between(from, to)
          first, last = [from, to].map(&:to_f)
          (first.div(DAY)..last.div(DAY)).sum(0.0) do |day|
            next 0.0 unless open?(day)

            [[last, (day + 1) * DAY].min - [first, day * DAY].max, 0.0].max
          end
        end

        private

        # day: days since 1970-01-01, which was a Thursday.
        def open?(day)
          return @known[day] if @known.key?(day)

          @known[day] = !@holidays.key?(day + EPOCH) && !((day + 3) % 7).between?(5, 6)
        end

        EPOCH = Date.new(1970, 1, 1).jd
        private_constant :EPOCH
      end
    end
  end
end
