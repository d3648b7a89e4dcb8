# frozen_string_literal: true

require "strscan"

module SteadyMove
  module Core
    module Post
      # A text in lines of a bounded length, so that whatever is looked for in a line or a sentence
      # takes time in proportion to the message: no line of mail is longer than 998 characters (RFC
      # 5322 §2.1.1), but nobody is kept from sending one.
      module Bounds
        LINE = 1000
        # Characters of a text that are read; what stands behind them is not known.
        READ = 30_000
        # Without a blank at which to break it, e.g. an address.
        UNBROKEN = 4000
        # Blanks and tabs in a row.
        BLANKS = 32

        ADDRESS = /#{Marks::OPEN}[^#{Marks::BETWEEN}#{Marks::CLOSE}]*/
        WORD = /[^ \t#{Marks::OPEN}]+/

        module_function

        # What of a text is read: its beginning, up to a line's end. Returns [text, is it cut].
        def beginning(text)
          return text, false if text.length <= READ

          [text[0, READ][/\A.*\n/m] || text[0, READ], true]
        end

        # Idempotent. Addresses within marks (Marks) stay whole.
        def text(text)
          short = text.gsub(/(?>[ \t]{#{BLANKS + 1},})/o) { |run| run[0, BLANKS] }
          return short if short.each_line.all? { |l| l.length <= LINE }

          short.each_line.map { |l| l.length > LINE ? broken(l) : l }.join
        end

        # A long line in several, each broken at a blank where there is one.
        def broken(line)
          scan = StringScanner.new(line)
          out = []
          length = 0
          until scan.eos?
            piece = scan.scan(ADDRESS) || scan.scan(WORD) || scan.getch
            pieces = piece.start_with?(Marks::OPEN) ? [piece] : piece.scan(/.{1,#{UNBROKEN}}/mo)
            pieces.each do |p|
              counted = p.start_with?(Marks::OPEN) ? 0 : p.length
              length = 0 if length + counted > LINE && length.positive? && (out << "\n")
              out << p
              length += counted
            end
          end
          out.join
        end
        private_class_method :broken
      end
    end
  end
end
