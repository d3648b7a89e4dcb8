# frozen_string_literal: true

module SteadyMove
  module Core
    module Imports
      # What would become of each row of a Table, before anything is kept.
      class Preview
        # place: of the row, from nought; number: of its line; cells: [text], as mended; fate: one
        # of FATES; name: DomainName, or nil; says: Phrase, where its fate wants a reason; account:
        # text of its cell; notes: {key => value}; clears: keys whose note an empty cell takes back;
        # unread: {column's place => what is expected}.
        Line =
          Struct.new(
            :place,
            :number,
            :cells,
            :fate,
            :name,
            :says,
            :account,
            :notes,
            :clears,
            :unread,
            keyword_init: true
          )
        # new and known are taken; twice: the name stands further up; no_name: it can't be one;
        # out: it was left out, or its registrar was.
        FATES = %i[new known twice no_name out].freeze
        TAKEN = %i[new known].freeze
        # A question that the cells of a column leave open. kind: :order, :decimal or :currency;
        # sample: a cell that can be read in two ways, or lacks its currency.
        Question = Struct.new(:kind, :column, :sample)

        attr_reader :table, :kinds, :lines, :questions

        # table: Table; choices: Choices; known: is a name (A-label) held? The block gives
        # [DomainName, nil], or [nil or DomainName, Phrase of why it is none] for a text.
        def initialize(table, choices, known:, &naming)
          @table = table
          @choices = choices
          @known = known
          @naming = naming
          @kinds = once(choices.kinds || table.kinds)
          @questions = []
          @read = @kinds.each_index.to_h { |i| [i, column(i)] }.compact
          @left_out = choices.left_out.to_set
          @first = {}
          @lines = table.rows.each_index.map { |place| line(place) }
        end

        # {fate => how many}, and :unread, of those that are taken, how many have a cell that can't
        # be read.
        def counts
          unread = lines.count { |l| TAKEN.include?(l.fate) && l.unread.any? }
          { **FATES.to_h { |f| [f, 0] }, **lines.map(&:fate).tally, unread: unread }
        end

        # {registrar as the table calls it => how many new names it holds}; nil: those of which it
        # names none. Of a name that is held, the table does not say where it is.
        def registrars = lines.select { |l| l.fate == :new }.map(&:account).tally

        private

        # Of a kind that only one column can hold, the first column counts.
        def once(kinds)
          kinds.each_with_index.map do |kind, i|
            kind if Kinds::SEVERAL.include?(kind) || kinds.index(kind) == i
          end
        end

        def cells_of(place)
          mended = @choices.mended[place]
          return table.rows[place].cells unless mended

          table.rows[place].cells.each_with_index.map { |text, i| mended.fetch(i, text) }
        end

        # Cells::Column, of those columns that hold notes.
        def column(index)
          kind = Kinds::BY_KEY[@kinds[index]]
          return unless kind && Kinds::NOTES.include?(kind.key)

          texts = table.rows.each_index.map { |place| text_at(place, index) }
          read = Cells.read(kind.reads, texts, @choices.settled)
          ask(read, index, texts)
          read.read
        end

        # A price stands with the currency of the column beside it.
        def text_at(place, index)
          cells = cells_of(place)
          text = cells[index].to_s
          return text if @kinds[index] != "stay_price" || text.match?(/[\p{L}\p{Sc}]/)

          currency = @kinds.index("currency")
          currency && !text.empty? ? "#{text} #{cells[currency]}" : text
        end

        def ask(read, index, texts)
          return unless read.question

          at = read.read.index { |value| value.is_a?(Cells::Unread) }
          @questions << Question.new(read.question, index, texts[at.to_i])
        end

        def line(place)
          cells = cells_of(place)
          name, says = @naming.call(cells[@kinds.index("name") || 0].to_s)
          notes, unread, clears = said(place, cells)
          account = text_of(cells, "account")
          fate = says ? :no_name : fate(place, name, account)
          says ||= Phrase.of("import.twice", line: @first[name.ascii]) if fate == :twice
          Line.new(
            place: place,
            number: table.rows[place].number,
            cells: cells,
            fate: fate,
            name: name,
            says: says,
            account: account,
            notes: notes,
            clears: clears,
            unread: unread
          )
        end

        def fate(place, name, account)
          return :out if @left_out.include?(place) || @choices.accounts[account] == OUT
          return :twice if @first.key?(name.ascii)

          @first[name.ascii] = table.rows[place].number
          @known.call(name.ascii) ? :known : :new
        end

        def text_of(cells, key)
          index = @kinds.index(key)
          text = index && cells[index].to_s
          text unless text.to_s.empty?
        end

        # [{key => value}, {column => what is expected}, keys to be cleared] of a row.
        def said(place, cells)
          notes = {}
          unread = {}
          clears = []
          @read.each do |index, values|
            key = @kinds[index]
            value = values[place]
            if value.is_a?(Cells::Unread)
              unread[index] = value.wanted
            elsif !value.nil?
              notes[key] = notes.key?(key) ? joined(notes[key], value) : value
            elsif @choices.clear && cells[index].to_s.empty?
              clears << key
            end
          end
          [notes, unread, clears - notes.keys]
        end

        def joined(one, two) = one.is_a?(Array) ? one | two : "#{one}; #{two}"
      end
    end
  end
end
