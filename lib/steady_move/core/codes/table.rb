# frozen_string_literal: true

require "csv"

module SteadyMove
  module Core
    module Codes
      # A list that is a table: its head says in which columns names and codes stand. Without one,
      # columns that hold dates, prices or statuses make a question of it.
      class Table
        SEPARATORS = ["\t", ";", ",", "|"].freeze
        DATE = Post::CodeShape::DATE
        PRICE = /\A[€$£¥]?\s?\d+[.,]\d{2}\s?(?:[A-Z]{3}|€|zł)?\z|\A[A-Z]{3}\s?\d+(?:[.,]\d+)?\z/
        # A status as registries and people write it: one word, or an EPP status.
        STATUS = Post::CodeShape::STATUS

        # lines: [[text, number]], without empty ones. Returns the Table that the first of them
        # heads, or nil.
        def self.headed(lines)
          return if lines.size < 2

          first, = lines.first
          SEPARATORS.each do |sign|
            next unless first.to_s.include?(sign)

            cells = cells(first, sign)
            name = cells.index { |c| c.match?(/\A\W*(?:#{Post::CodeRows::HEAD_NAME})\W*\z/o) }
            code = cells.rindex { |c| code_head?(c) }
            return new(sign, cells.size, name, code) if name && code && name != code
          end
          nil
        end

        # Does a column behind the name hold dates, prices or statuses in every line? lines: what
        # stands behind each name, with the sign that parts them.
        def self.unheaded?(lines)
          rows =
            lines.map do |line|
              sign = line[/\A[,;\t]/] || " "
              line.start_with?(/[,;\t ]*"/) ? [] : line.split(sign).map(&:strip).reject(&:empty?)
            end
          width = rows.map(&:size).min.to_i
          (0...width).any? { |i| rows.all? { |cells| beside?(cells[i]) } }
        end

        def self.beside?(cell)
          cell.match?(DATE) || cell.match?(PRICE) || cell.match?(STATUS) ||
            (cell.length > 2 && Post::CodeShape.word?(cell))
        end

        def self.code_head?(cell)
          cell.match?(Post::CodeRows::HEAD_CODE) && Post::CodeLabels.names_codes?(cell)
        end

        # Cells of a line, quoted or not (RFC 4180 §2).
        def self.cells(line, sign)
          CSV.parse_line(line, col_sep: sign, quote_char: '"').to_a.map(&:to_s)
        rescue CSV::MalformedCSVError
          line.split(sign, -1)
        end
        private_class_method :beside?, :code_head?

        def initialize(sign, size, name, code)
          @sign = sign
          @size = size
          @name = name
          @code = code
        end

        # [name, code] of a line, as they stand there; nil where its cells are not those of the
        # head, so that nobody can tell.
        def row(line)
          cells = self.class.cells(line, @sign)
          return cells.values_at(@name, @code) if cells.size == @size

          # the last column may hold the separator itself
          last = @code == @size - 1 && cells.size > @size
          last ? [cells[@name], whole(line)] : nil
        end

        private

        def whole(line) = line.split(@sign, @size).last
      end
    end
  end
end
