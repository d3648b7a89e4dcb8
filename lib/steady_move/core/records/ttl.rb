# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Times to live in whole seconds, 0 to 2^31−1 (RFC 2181 §8); units w d h m s as zone files
      # commonly use (C).
      module Ttl
        MAX = (1 << 31) - 1
        WIDEST = (1 << 32) - 1
        UNITS = { "w" => 604_800, "d" => 86_400, "h" => 3600, "m" => 60, "s" => 1 }.freeze
        FORM = /\A(?:\d{1,10}|(?:\d{1,10}[wdhms])+)\z/i

        module_function

        def ttl?(text) = text.match?(FORM)

        # “1h30m” → 5400; what has the highest bit set counts as zero (RFC 2181 §8). Raises
        # ArgumentError naming the text and what is expected.
        def parse(text)
          seconds = seconds(text)
          seconds > MAX ? 0 : seconds
        end

        # The same for fields that have all 32 bits.
        def seconds(text)
          unless ttl?(text)
            raise ArgumentError, "“#{text}” is not a time to live (seconds, or like 1h30m)"
          end

          seconds =
            (
              if text.match?(/\A\d+\z/)
                text.to_i
              else
                text.downcase.scan(/(\d+)([wdhms])/).sum { |n, u| n.to_i * UNITS[u] }
              end
            )
          raise ArgumentError, "time to live #{text} is above #{WIDEST} seconds" if seconds > WIDEST

          seconds
        end
      end
    end
  end
end
