# frozen_string_literal: true

require "date"

module SteadyMove
  module Core
    module Imports
      # Reads a column of dates as people and programs write them.
      module Days
        # Year, month, day (ISO 8601, or with other signs between), perhaps with a time behind it.
        YEAR_FIRST = %r{\A(\d{4})[-/.](\d{1,2})[-/.](\d{1,2})(?:[T ]\d{1,2}:\d\d.*)?\z}i
        # Two figures and a year: which of them is the day is what the column has to tell.
        EITHER = %r{\A(\d{1,2})[-/. ]\s?(\d{1,2})[-/. ]\s?(\d{4}|\d\d)(?:[ ,]+\d{1,2}:\d\d.*)?\z}
        DAY_MONTH =
          %r{\A(?<day>\d{1,2})(?:st|nd|rd|th|\.)?[-/\s]*(?<month>\p{L}{3,})\.?,?[-/\s]*
            (?<year>\d{4}|\d\d)\b}x
        MONTH_DAY =
          /\A(?<month>\p{L}{3,})\.?\s*(?<day>\d{1,2})(?:st|nd|rd|th)?,?\s+(?<year>\d{4})\b/
        # English, German, French, Spanish, Italian, Dutch (from memory); by their first letters,
        # the longer ones first.
        MONTHS = [
          %w[jan ene gen],
          %w[feb fév fev],
          %w[mar mär mrz maa],
          %w[apr avr abr],
          %w[may mai mag mei],
          %w[jun juin giu],
          %w[jul juil lug],
          %w[aug aoû aou ago],
          %w[sep set],
          %w[oct okt ott],
          %w[nov],
          %w[dec dez déc dic]
        ].freeze

        module_function

        # cells: [text]; order: "day" or "month" comes first, nil where nobody has said. A date that
        # can be read in two ways is taken as the others of its column are; where none of them tells
        # it stays unread, and is a question. Returns Cells::Column of Dates.
        #   Imports::Days.read(["13/02/2027", "03/04/2027"], nil).read.last
        #     # => Date.new(2027, 4, 3)
        #   Imports::Days.read(["03/04/2027"], nil).question # => :order
        def read(cells, order)
          open = cells.filter_map { |cell| figures(cell.to_s.strip) }
          told = order || evidence(open)
          column = Cells.each(cells) { |text| day(text, told) || Cells::Unread.new(:date) }
          asked = told.nil? && open.any? { |one, two| either?(one, two) }
          Cells::Column.new(column.read, asked ? :order : nil)
        end

        # [one figure, the other, year] of a date that says not which is the day.
        def figures(text) = EITHER.match(text)&.captures&.map(&:to_i)

        # What the dates of a column say of their order, where they don't contradict each other.
        def evidence(open)
          day = open.any? { |one, two, _| one.between?(13, 31) && two.between?(1, 12) }
          month = open.any? { |one, two, _| two.between?(13, 31) && one.between?(1, 12) }
          return if day == month

          day ? "day" : "month"
        end

        def day(text, order)
          parts = YEAR_FIRST.match(text) and return date(*parts.captures.map(&:to_i))
          parts = figures(text) and return of_figures(*parts, order)
          parts = DAY_MONTH.match(text) || MONTH_DAY.match(text) or return

          date(parts[:year].to_i, month(parts[:month]), parts[:day].to_i)
        end

        def of_figures(one, two, year, order)
          return date(year, two, one) if one > 12 || one == two
          return date(year, one, two) if two > 12
          return unless order

          order == "day" ? date(year, two, one) : date(year, one, two)
        end

        def either?(one, two) = one.between?(1, 12) && two.between?(1, 12) && one != two

        def month(word)
          plain = word.downcase
          MONTHS.index { |starts| starts.any? { |start| plain.start_with?(start) } }&.+(1)
        end

        def date(year, month, day)
          year += 2000 if year < 100
          Date.new(year, month, day) if month && Date.valid_date?(year, month, day)
        end
        private_class_method :figures, :evidence, :day, :of_figures, :either?, :month, :date
      end
    end
  end
end
