# frozen_string_literal: true

require "csv"

module SteadyMove
  module Wire
    # Comma-separated values (RFC 4180).
    module Csv
      # First characters that a spreadsheet takes for a formula.
      FORMULA = /\A[=+\-@\t\r]/

      module_function

      # header: [String]; rows: arrays of cells. Returns text with CRLF line ends; a cell that a
      # spreadsheet would take for a formula gets an apostrophe in front (common practice, no
      # source).
      def write(header, rows)
        ::CSV.generate(row_sep: "\r\n") do |csv|
          csv << header
          rows.each { |row| csv << row.map { |cell| harmless(cell) } }
        end
      end

      # text → [[String]] with its line numbers: [[line, cells]]. Raises Malformed with the line.
      def read(text, most: 100_000)
        rows = []
        csv =
          ::CSV.new(
            Core::Imports::Drip.new(text.delete_prefix("\uFEFF")),
            col_sep: separator(text),
            liberal_parsing: false
          )
        while (row = csv.shift)
          rows << [csv.lineno, row.map { |c| c.to_s.strip }] unless row.all?(&:nil?)
          raise Malformed, "the table has more than #{most} lines" if rows.size > most
        end
        rows
      rescue ::CSV::MalformedCSVError => e
        raise Malformed, "line #{e.line_number}: #{e.message.sub(%r{ in line \d+\.?\z}, "")}"
      end

      # The one of comma, semicolon and tab that the first line holds most of.
      def separator(text) = [",", ";", "\t"].max_by { |c| text.lines.first.to_s.count(c) }

      def harmless(cell)
        return cell unless cell.is_a?(String) && cell.match?(FORMULA)

        "'#{cell}"
      end
      private_class_method :separator, :harmless
    end
  end
end
