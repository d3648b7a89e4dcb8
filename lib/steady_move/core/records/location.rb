# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # A place on earth, LOC (RFC 1876 §2, §3): sixteen octets.
      module Location
        EQUATOR = 1 << 31
        DATUM = 10_000_000 # centimetres below the reference, RFC 1876 §2
        DEFAULTS = [100, 1_000_000, 1000].freeze # size, horizontal and vertical precision, in centimetres
        METRES = /\A(-?\d{1,8})(?:\.(\d{1,2}))?m?\z/i

        module_function

        # tokens: degrees [minutes [seconds]] N|S, the same E|W, altitude, [size [horizontal
        # [vertical]]]. Returns the octets.
        def parse(tokens)
          latitude = angle(tokens, %w[N S], 90)
          longitude = angle(tokens, %w[E W], 180)
          altitude = centimetres(Fields.take(tokens, "the altitude"), -DATUM..4_284_967_295)
          sizes =
            DEFAULTS.map do |usual|
              tokens.empty? ? usual : centimetres(tokens.shift.text, 0..9_000_000_000)
            end
          [0, *sizes.map { |s| packed(s) }, latitude, longitude, altitude + DATUM].pack("CCCCNNN")
        end

        def angle(tokens, sides, most)
          parts = []
          until sides.include?(parts.last&.upcase) || parts.size > 4
            parts << Fields.take(tokens, "a side of the earth")
          end
          side = parts.pop.upcase
          unless sides.include?(side) && parts.size.between?(1, 3)
            raise ArgumentError, "degrees, minutes, seconds and #{sides.join(" or ")} are expected"
          end

          thousandths = thousandths(parts, most)
          EQUATOR + (side == sides.first ? thousandths : -thousandths)
        end

        def thousandths(parts, most)
          degrees, minutes = parts.first(2).map { |p| Fields.whole(p, most) }
          seconds = parts[2] || "0"
          whole, fraction = seconds.match(/\A(\d{1,2})(?:\.(\d{1,3}))?\z/)&.captures
          if whole.nil? || whole.to_i > 59
            raise ArgumentError, "“#{seconds}” is not a number of seconds below 60"
          end
          if minutes.to_i > 59
            raise ArgumentError, "“#{minutes}” is not a number of minutes below 60"
          end

          sum =
            (((degrees * 60) + minutes.to_i) * 60_000) + (whole.to_i * 1000) +
              fraction.to_s.ljust(3, "0").to_i
          raise ArgumentError, "more than #{most} degrees" if sum > most * 3_600_000

          sum
        end

        def centimetres(text, range)
          whole, fraction = text.match(METRES)&.captures
          raise ArgumentError, "“#{text}” is not a length in metres" unless whole

          cents = (whole.to_i.abs * 100) + fraction.to_s.ljust(2, "0").to_i
          cents = -cents if whole.start_with?("-")
          range.cover?(cents) ? cents : raise(ArgumentError, "“#{text}” is out of range")
        end

        # A digit and a power of ten (RFC 1876 §2).
        def packed(centimetres)
          power = [centimetres.to_s.length - 1, 0].max
          ((centimetres / (10**power)) << 4) | power
        end

        # octets → text; a version that is not known stays as octets.
        def text(octets)
          _, size, across, up, latitude, longitude, altitude = octets.unpack("CCCCNNN")
          sizes = [size, across, up].map { |p| (p >> 4) * (10**(p & 15)) }
          [
            degrees(latitude, %w[N S]),
            degrees(longitude, %w[E W]),
            metres(altitude - DATUM),
            *sizes.map { |s| s < 100 ? metres(s) : "#{s / 100}m" }
          ].join(" ")
        end

        def degrees(value, sides)
          side = value >= EQUATOR ? sides.first : sides.last
          rest = (value - EQUATOR).abs
          format(
            "%<d>d %<m>d %<s>d.%<t>03d %<side>s",
            d: rest / 3_600_000,
            m: rest / 60_000 % 60,
            s: rest / 1000 % 60,
            t: rest % 1000,
            side: side
          )
        end

        def metres(cents)
          format(
            "%<sign>s%<whole>d.%<rest>02dm",
            sign: cents.negative? ? "-" : "",
            whole: cents.abs / 100,
            rest: cents.abs % 100
          )
        end
        private_class_method :angle, :thousandths, :centimetres, :packed, :degrees, :metres
      end
    end
  end
end
