# frozen_string_literal: true

require "strscan"

module SteadyMove
  module Core
    module Records
      # Splits zone file text into entries: quotes, comments, parentheses (RFC 1035 §5.1).
      class ZoneLexer
        # The words of one record's data.
        def self.tokens(text)
          new(text).entry.tokens
        end

        # problems: where ZoneErrors go, and reading goes on with the next line; without it they are
        # raised.
        def initialize(text, problems = nil)
          @problems = problems
          @scan = StringScanner.new(text.b)
          @line = 1
          @begun = 0
        end

        # Yields each Entry; raises ZoneError for an open quote or parenthesis. plain: called with
        # the scanner at the start of every line; true where it took the line, and no entry follows.
        def each_entry(plain = nil)
          until @scan.eos?
            next if plain && plainly?(plain)

            entry = kept_entry
            yield entry unless entry.nil? || entry.tokens.empty?
          end
        end

        # The next Entry, whatever it holds.
        def entry = next_entry

        private

        def plainly?(plain)
          start = @scan.pos
          unless @scan.skip(PlainLine::BLANK) || plain.call(@scan)
            @scan.pos = start
            return false
          end
          @line += 1
          @begun = @scan.pos
          true
        end

        # nil where it is wrong, and the next line is to be read.
        def kept_entry
          start = @scan.pos
          next_entry
        rescue ZoneError => e
          raise unless @problems

          @problems << e
          to_line_after(e.line, start)
          nil
        end

        # Behind the line with this number, which is that of the mistake or that on which its entry
        # began.
        def to_line_after(number, start)
          @scan.pos = start
          count = number - @entry_line
          (count + 1).times { @scan.skip_until(/\n/n) || @scan.terminate }
          @line = number + 1
          @begun = @scan.pos
        end

        def next_entry
          @entry_line = @line
          entry = Entry.new(@line, @scan.check(/[ \t]/n) ? true : false, [])
          depth = 0
          until @scan.eos?
            @scan.skip(/[ \t]+/n)
            @scan.skip(/;[^\n]*/n)
            if @scan.skip(/\r?\n/n)
              @line += 1
              @begun = @scan.pos
              depth.zero? ? (return entry) : next
            elsif @scan.skip(/\(/n)
              depth += 1
            elsif @scan.skip(/\)/n)
              depth -= 1
              if depth.negative?
                fail_at(@line, "a parenthesis is closed that was not opened", here - 1)
              end
            elsif (token = word)
              entry.tokens << token
            end
          end
          fail_at(entry.line, "a parenthesis is opened here and never closed") if depth.positive?
          entry
        end

        def word
          column = here
          return quoted(column) if @scan.skip(/"/n)

          raw = @scan.scan(/(?:[^\s;()"\\]|\\\d{3}|\\.)+/n) and
            return Token.new(with_quoted_value(raw), false, column)
          unless @scan.eos?
            fail_at(@line, "a character that can't stand here: #{@scan.getch.inspect}", column)
          end
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

        def fail_at(line, message, column = nil)
          raise(ZoneError.new(line, message, column: column))
        end
      end
    end
  end
end
