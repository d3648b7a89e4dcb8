# frozen_string_literal: true

require "time"

module SteadyMove
  module Scripts
    # `expiry`: the new expiry after a move; “ten-years” on standard error where the registry's
    # maximum cut it.
    module Expiry
      module_function

      # given: {expires:, landed:, years:, max_years:, in_grace:} as typed. Raises Scripts::Misused.
      # Returns 0.
      def call(given, out:, err:)
        result =
          Core::Expiry.after_move(
            expires_at: instant(given, :expires),
            landed_at: instant(given, :landed),
            years: whole(given, :years, 1, 0..10),
            max_years: whole(given, :max_years, 10, 1..100),
            in_grace: given[:in_grace] == true
          )
        out.puts result.expires_at.strftime("%Y-%m-%dT%H:%M:%SZ")
        err.puts "ten-years" if result.capped
        0
      end

      # RFC 3339; a date alone is its start in UTC.
      def instant(given, key)
        text = given[key] or
          raise Misused, "--#{key} is missing: an instant such as 2027-03-01T08:00:00Z is expected"
        text = "#{text}T00:00:00Z" if text.match?(/\A\d{4}-\d\d-\d\d\z/)
        Core::Instant.parse(text)
      rescue ArgumentError
        raise Misused, "--#{key}: “#{given[key]}” is not an instant such as 2027-03-01T08:00:00Z"
      end

      def whole(given, key, usual, range)
        text = given[key] or return usual
        number = Integer(text, 10, exception: false)
        if range.cover?(number || -1)
          number
        else
          raise(
            Misused,
            "--#{key.to_s.tr("_", "-")}: “#{text}” is not a whole number from #{range.min} to " \
              "#{range.max}"
          )
        end
      end
      private_class_method :instant, :whole
    end
  end
end
