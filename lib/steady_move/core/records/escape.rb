# frozen_string_literal: true

require "strscan"

module SteadyMove
  module Core
    module Records
      # Backslash escapes of zone files: \X stands for X, \DDD for the octet with that decimal value
      # (RFC 1035 §5.1).
      module Escape
        module_function

        # Reads one escape at the scanner's place; returns the octet as a binary string.
        def read(scan)
          if scan.skip(/\\(\d{3})/n)
            value = scan[1].to_i
            raise ArgumentError, "escape \\#{scan[1]} is above 255" if value > 255

            value.chr.b
          elsif scan.check(/\\\d/n)
            raise ArgumentError, "an escape of a number has three digits, as in \\012"
          elsif scan.skip(/\\(.)/mn)
            scan[1].b
          else
            raise ArgumentError, "a backslash stands at the end"
          end
        end

        # Undoes all escapes in a token's raw text.
        def undo(text)
          return text.b unless text.include?("\\")

          scan = StringScanner.new(text.b)
          out = +"".b
          out << (scan.scan(/[^\\]+/n) || read(scan)) until scan.eos?
          out
        end

        # A label's presentation form, escaping what a zone file would read as its own.
        def label(bytes)
          bytes
            .b
            .gsub(%r{[^A-Za-z0-9_*/+-]}n) do |c|
              c.ord.between?(0x21, 0x7e) && '.;\\()"@$'.include?(c) ? "\\#{c}" : plain_or_decimal(c)
            end
        end

        # A character-string in quotes.
        def quoted(bytes)
          body =
            bytes.b.gsub(/["\\]|[^\x20-\x7e]/n) { |c| '"\\'.include?(c) ? "\\#{c}" : decimal(c) }
          %("#{body}")
        end

        def plain_or_decimal(char) = char.ord.between?(0x21, 0x7e) ? char : decimal(char)
        def decimal(char) = format("\\%03d", char.ord)
      end
    end
  end
end
