# frozen_string_literal: true

require "strscan"

module SteadyMove
  module Core
    module Records
      # Splits zone file text into entries: quotes, comments, parentheses (RFC 1035 §5.1).
      class ZoneLexer
        def initialize(text)
          @scan = StringScanner.new(text.b)
          @line = 1
          @begun = 0
        end

        # Yields each Entry; raises ZoneError for an open quote or parenthesis.
        def each_entry
          until @scan.eos?
            entry = next_entry
            yield entry unless entry.tokens.empty?
          end
        end

        private

        def next_entry
          entry = Entry.new(@line, @scan.check(/[ \t]/n) ? true : false, [])
          depth = 0
          until @scan.eos?
            @scan.skip(/[ \t]+/n)
            @scan.skip(/;[^\n]*/n)
            if @scan.skip(/\r?\n/n)
              @line += 1
              @begun = @scan.pos
              depth.zero? ? (return entry) : next
            elsif @scan.skip(/\(/n) then depth += 1
            elsif @scan.skip(/\)/n)
              depth -= 1
              fail_at(@line, "a parenthesis is closed that was not opened", here - 1) if depth.negative?
            elsif (token = word) then entry.tokens << token
            end
          end
          fail_at(entry.line, "a parenthesis is opened here and never closed") if depth.positive?
          entry
        end

        def word
          column = here
          return quoted(column) if @scan.skip(/"/n)

          raw = @scan.scan(/(?:[^\s;()"\\]|\\\d{3}|\\.)+/n) and return Token.new(with_quoted_value(raw), false, column)
          fail_at(@line, "a character that can't stand here: #{@scan.getch.inspect}", column) unless @scan.eos?
        end

        # key="value" of service parameters is one word.
        def with_quoted_value(raw)
          return raw unless raw.end_with?("=") && @scan.skip(/"/n)

          raw + quoted(here).text
        end

        def here = @scan.pos - @begun + 1

        def quoted(column)
          start = @line
          body = @scan.scan(/(?:[^"\\\n]|\\\d{3}|\\.)*/n)
          fail_at(start, "a quoted text is not closed on its line", column) unless @scan.skip(/"/n)
          Token.new(body, true, column)
        end

        def fail_at(line, message, column = nil) = raise(ZoneError.new(line, message, column: column))
      end
    end
  end
end
