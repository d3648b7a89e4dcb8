# frozen_string_literal: true

require "time"
require "date"

module SteadyMove
  module Core
    # Instants as text (RFC 3339 §5.6, xs:dateTime), read strictly: a day that no calendar has is an
    # error.
    module Instant
      FORM = /\A(\d{4})-(\d\d)-(\d\d)[Tt ]\d\d:\d\d:\d\d(?:\.\d+)?([Zz]|[+-]\d\d:\d\d)?\z/

      module_function

      # Returns a Time in UTC to the second; zoneless: what has no zone is UTC, else it is an error.
      # Raises ArgumentError.
      #   Instant.parse("2027-03-01T09:00:00+01:00") # => Time.utc(2027, 3, 1, 8)
      #   Instant.parse("2027-03-01T09:00:00", zoneless: true) # => Time.utc(2027, 3, 1, 9)
      def parse(text, zoneless: false)
        year, month, day, zone = text.to_s.match(FORM)&.captures
        unless year && Date.valid_date?(year.to_i, month.to_i, day.to_i)
          raise ArgumentError, "no such instant: #{text}"
        end
        raise ArgumentError, "no zone: #{text}" if zone.nil? && !zoneless

        Time.at(Time.iso8601(zone ? text.sub(" ", "T") : "#{text.sub(" ", "T")}Z").to_i).utc
      end
    end
  end
end
