# frozen_string_literal: true

module SteadyMove
  module Core
    module Imports
      # Reads the cells of one column, all of them together: what one leaves open, such as which of
      # two figures is the day, the others may settle; else it is a question.
      module Cells
        # read: a value for each cell, nil where it is blank, Unread where it can't be understood.
        # question: :order, :decimal or :currency where somebody has to say, else nil.
        Column = Struct.new(:read, :question)
        # A cell that can't be understood; wanted: the phrase's key of what is expected.
        Unread = Struct.new(:wanted)

        # How somebody settled what the cells leave open. order: "day" or "month", whichever comes
        # first in a date; decimal: "point" or "comma"; currency: three letters.
        Settled = Struct.new(:order, :decimal, :currency, keyword_init: true)

        YES = %w[yes y true 1 on x ✓ ✔ ja oui si sí enabled active locked private].freeze
        NO = %w[no n false 0 off - – nein non disabled inactive unlocked public none].freeze
        ADDRESS = /\A[^@\s,;]+@[^@\s,;]+\.[^@\s,;.]+\z/
        MOST_TEXT = 300
        MOST_HOSTS = 20

        module_function

        # reads: as Kinds has it; cells: [text]; settled: Settled. Returns Column.
        #   Imports::Cells.read(:flag, ["Yes", "", "perhaps"], Imports::Cells::Settled.new).read
        #     # => [true, nil, Imports::Cells::Unread.new(:flag)]
        def read(reads, cells, settled)
          case reads
          when :day
            Days.read(cells, settled.order)
          when :price
            Prices.read(cells, settled)
          else
            each(cells) { |text| send(reads, text).then { |v| v.nil? ? Unread.new(reads) : v } }
          end
        end

        # Column of cells read one by one; the block is not asked for blank ones, and once for those
        # that say the same.
        def each(cells)
          read = Hash.new { |known, text| known[text] = yield(text) }
          Column.new(
            cells.map { |cell| cell.to_s.strip.then { |t| t.empty? ? nil : read[t] } },
            nil
          )
        end

        def flag(text)
          plain = text.downcase
          return true if YES.include?(plain)

          false if NO.include?(plain)
        end

        def text(text) = text.length <= MOST_TEXT ? text : nil
        def name(text) = text
        def address(text) = text.match?(ADDRESS) && text.length <= MOST_TEXT ? text : nil

        def hosts(text)
          hosts = text.split(/[\s,;|]+/).reject(&:empty?).map { |t| Names::HostName.ascii(t) }
          hosts.uniq if hosts.size <= MOST_HOSTS && hosts.all? { |h| h&.include?(".") }
        end
        private_class_method :flag, :text, :name, :address, :hosts
      end
    end
  end
end
