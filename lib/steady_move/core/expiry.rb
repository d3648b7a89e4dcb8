# frozen_string_literal: true

module SteadyMove
  module Core
    # New expiry after a move (RFC 5731 §3.2.4 with the registry's maximum; grace year: RFC 3915 and registry practice).
    module Expiry
      Result = Struct.new(:expires_at, :capped, keyword_init: true)

      module_function

      # expires_at, landed_at: Time (UTC); years: added years; max_years: registry's maximum from landing;
      # in_grace: the losing side's automatic year is taken back first. Returns Result(expires_at, capped).
      #   Expiry.after_move(expires_at: Time.utc(2030), landed_at: Time.utc(2027)).expires_at # => Time.utc(2031)
      #   Expiry.after_move(expires_at: Time.utc(2037), landed_at: Time.utc(2027, 6)).capped # => true
      def after_move(expires_at:, landed_at:, years: 1, max_years: 10, in_grace: false)
        base = in_grace ? add_years(expires_at, -1) : expires_at
        wished = add_years(base, years)
        most = add_years(landed_at, max_years)
        Result.new(expires_at: [wished, most].min, capped: wished > most)
      end

      # Calendar years; 29 February becomes 28 February in a common year.
      #   Expiry.add_years(Time.utc(2028, 2, 29, 12), 1) # => Time.utc(2029, 2, 28, 12)
      def add_years(time, years)
        sec, min, hour, day, month, year = time.to_a
        year += years
        leap = (year % 4).zero? && (year % 100 != 0 || (year % 400).zero?)
        Time.utc(year, month, month == 2 && day == 29 && !leap ? 28 : day, hour, min, sec)
      end
    end
  end
end
