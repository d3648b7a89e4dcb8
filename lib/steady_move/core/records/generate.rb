# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # $GENERATE range owner [ttl] [class] type data: “$” stands for the number,
      # “${offset,width,base}” for it moved, padded and in base d, o, x or X (BIND's extension; from
      # memory, held against named-compilezone).
      module Generate
        MOST = 65_536
        RANGE = %r{\A(\d{1,9})-(\d{1,9})(?:/(\d{1,9}))?\z}
        PLACE = /\\\$|\$\$|\$(?:\{(-?\d{1,9})(?:,(\d{1,3})(?:,([doxX]))?)?\})?/

        module_function

        # tokens: behind “$GENERATE”. Returns the tokens of each record; raises ArgumentError.
        def lines(tokens)
          range, *rest = tokens
          raise ArgumentError, "$GENERATE needs a range, an owner, a type and data" if rest.size < 3

          numbers(range.text).map do |n|
            rest.map { |t| Token.new(filled(t.text, n), t.quoted, t.column) }
          end
        end

        def numbers(text)
          from, to, step = text.match(RANGE)&.captures&.map { |n| n&.to_i }
          unless from && from <= to && step != 0
            raise ArgumentError, "“#{text}” is not a range such as 1-10 or 1-10/2"
          end

          list = from.step(to, step || 1)
          if list.size <= MOST
            list.to_a
          else
            raise(ArgumentError, "more than #{MOST} records are generated")
          end
        end

        def filled(text, number)
          text.gsub(PLACE) do |sign|
            next "$" if ["\\$", "$$"].include?(sign)

            offset, width, base = Regexp.last_match.captures
            value = number + offset.to_i
            raise ArgumentError, "a generated number is below zero" if value.negative?

            value
              .to_s({ "o" => 8, "x" => 16, "X" => 16 }.fetch(base, 10))
              .rjust(width.to_i, "0")
              .then { |s| base == "X" ? s.upcase : s }
          end
        end
        private_class_method :numbers, :filled
      end
    end
  end
end
