# frozen_string_literal: true

require "csv"

module SteadyMove
  module Core
    module Imports
      # What was pasted or dropped, as rows of cells: a table, whatever parts its columns, with or
      # without a head; or names alone, parted by blanks, commas, semicolons or lines. “#” behind a
      # blank begins a comment among names.
      class Table
        # number: of the line; cells: [text].
        Row = Struct.new(:number, :cells)
        SIGNS = ["\t", ";", ",", "|"].freeze
        # So many rows tell what a column holds.
        TELLING = 60

        # rows: [Row] without the head; head: [text], or nil; kinds: a key of Kinds, or nil, for
        # each column, as it seems.
        attr_reader :rows, :head, :kinds

        # text: as it was pasted. accounts: titles of the accounts that there are, by which a column
        # without a head is known. as: "table" or "names" where somebody has said which it is.
        #   Imports::Table.new("Domain;Registrar\ntide.example;Gannet\n").kinds
        #     # => ["name", "account"]
        #   Imports::Table.new("tide.example, moor.example").rows.size # => 2
        def initialize(text, accounts: [], as: nil)
          @accounts = accounts.to_set(&:downcase)
          plain = text.delete_prefix("\uFEFF").tr("\u{a0}", " ")
          @table = as != "names" && read_table(plain, as == "table")
          return if @table

          @head = nil
          @kinds = ["name"]
          @rows = words(plain)
        end

        # Is it a table, or are it names alone?
        def table? = @table

        private

        def words(text)
          text
            .each_line
            .with_index(1)
            .flat_map { |line, number| Guess.words(line).map { |word| Row.new(number, [word]) } }
        end

        # Reads it as a table; returns whether it is one: it holds names, and anything else.
        def read_table(text, surely)
          @rows = cells(text, surely) or return false
          @head = @rows.shift.cells if head?
          guess = Guess.new(@head, @rows.first(TELLING).map(&:cells), @accounts)
          @kinds = guess.kinds
          return true if surely

          @kinds.include?("name") && (!@head.nil? || @kinds.compact.size > 1 || guess.other_things?)
        end

        # [Row] of a table; nil where no sign parts its lines.
        def cells(text, surely)
          lines = text.lines.reject { |line| line.strip.empty? }.first(TELLING)
          sign = SIGNS.max_by { |s| score(lines, s) }
          read(text, sign) if lines.any? && (surely || score(lines, sign).positive?)
        end

        # How many lines a sign parts into as many cells as most of them have, two at least.
        def score(lines, sign)
          counts = lines.map { |line| line.count(sign) }.tally
          counts.delete(0)
          counts.values.max.to_i
        end

        # By the rules of RFC 4180 where its quotation marks are whole, else line by line.
        def read(text, sign)
          csv = ::CSV.new(Drip.new(text), col_sep: sign)
          rows = []
          while (cells = csv.shift)
            rows << Row.new(csv.lineno, cells.map { |c| c.to_s.strip }) if cells.any?
          end
          rows
        rescue ::CSV::MalformedCSVError
          lines = text.each_line.with_index(1).reject { |line, _| line.strip.empty? }
          lines.map { |line, number| Row.new(number, line.chomp.split(sign, -1).map(&:strip)) }
        end

        # A first row in which no name stands, though some stand below it; or that is called as
        # heads are.
        def head?
          first, *others = @rows.first(TELLING).map(&:cells)
          return false if first.any? { |cell| !cell.empty? && Guess.names?(cell) }

          first.any? { |cell| Kinds.by_head(cell) == "name" } ||
            others.any? { |cells| cells.any? { |cell| Guess.name?(cell) } }
        end
      end
    end
  end
end
