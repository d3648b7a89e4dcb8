# frozen_string_literal: true

require "date"

module SteadyMove
  module Core
    # New expiry after a move (RFC 5731 §3.2.4 with the registry's maximum; grace year: RFC 3915 and
    # registry practice).
    module Expiry
      Result = Struct.new(:expires_at, :capped, keyword_init: true)

      module_function

      # expires_at, landed_at: Time (UTC); years: added years; max_years: registry's maximum from
      # landing; in_grace: the losing side's automatic year is taken back, in one sum with the added
      # ones. Returns Result(expires_at, capped).
      #   Expiry.after_move(expires_at: Time.utc(2030), landed_at: Time.utc(2027)).expires_at
      #     # => Time.utc(2031)
      #   Expiry.after_move(expires_at: Time.utc(2037), landed_at: Time.utc(2027, 6)).capped
      #     # => true
      def after_move(expires_at:, landed_at:, years: 1, max_years: 10, in_grace: false)
        wished = add_years(expires_at, in_grace ? years - 1 : years)
        most = add_years(landed_at, max_years)
        Result.new(expires_at: [wished, most].min, capped: wished > most)
      end

      # Days that are paid for and lost: what the registry's maximum cuts off (RFC 5731 §3.2.4). A
      # year that is taken back within its grace is none: its fee may be, and that is money.
      #   Expiry.lost_days(expires_at: Time.utc(2037, 6, 11), landed_at: Time.utc(2027, 6)) # => 375
      #   Expiry.lost_days(expires_at: Time.utc(2030), landed_at: Time.utc(2027)) # => 0
      def lost_days(expires_at:, landed_at:, years: 1, max_years: 10, in_grace: false)
        wished = add_years(expires_at, in_grace ? years - 1 : years)
        [(wished - add_years(landed_at, max_years)) / 86_400, 0].max.ceil
      end

      # The expiry before the registry added a year to it; a 28 February may have been a 29th, and
      # the later counts.
      #   Expiry.year_before(Time.utc(2029, 2, 28)) # => Time.utc(2028, 2, 29)
      def year_before(time)
        before = add_years(time, -1)
        Date.leap?(before.year) && time.month == 2 && time.day == 28 ? before + 86_400 : before
      end

      # Until when a name that shows the auto-renew period stands in it (RFC 3915 §3.1; days:
      # registry practice).
      def grace_ends(expires_at, days) = year_before(expires_at) + (days * 86_400)

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
