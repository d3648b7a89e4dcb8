# frozen_string_literal: true

module SteadyMove
  module Store
    # Tables as a whole, row by row: for exports, imports and the walk through everything.
    class WholeTables
      AT_ONCE = 1000

      def initialize(db)
        @db = db
      end

      def tables = @db.tables
      def columns(table) = @db[table].columns
      def any?(table) = @db[table].any?
      def clear(table) = @db[table].delete
      def insert(table, row) = @db[table].insert(row)
      # Yields each row, with its rowid, in the order of the rows. Returns how many.
      def each_row(table, columns, &)
        last = nil
        count = 0
        loop do
          page = page(table, columns, last)
          return count if page.empty?

          page.each(&)
          count += page.size
          last = page.last[:rowid]
        end
      end

      # The journal's numbers: [first, last, count, the highest that was ever given].
      def journal_numbers
        numbers = @db[:events].select { [min(:seq), max(:seq), count(:seq)] }.first.values
        [*numbers, @db[:sqlite_sequence].where(name: "events").get(:seq).to_i]
      end

      # Values of a column that name no row of another table.
      def lost(table, column, other, key)
        @db[table]
          .exclude(column => nil)
          .exclude(column => @db[other].select(key))
          .select_map(column)
          .uniq
      end

      private

      def page(table, columns, last)
        rows =
          @db[table]
            .select(Sequel.lit("rowid AS rowid"), *columns)
            .order(Sequel.lit("rowid"))
            .limit(AT_ONCE)
        (last ? rows.where(Sequel.lit("rowid > ?", last)) : rows).all
      end
    end
  end
end
