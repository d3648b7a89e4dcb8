# frozen_string_literal: true

module SteadyMove
  module Desk
    # Walks the whole database: the file itself, the journal's chain and its numbers, every seal,
    # and what refers to what. Says what is wrong where.
    class Verification
      # Rows that must have another: table, column => table, column. nil refers to nothing.
      REFERENCES = {
        %i[events move_id] => %i[moves id],
        %i[looks move_id] => %i[moves id],
        %i[codes move_id] => %i[moves id],
        %i[kept_zones move_id] => %i[moves id],
        %i[messages move_id] => %i[moves id],
        %i[sessions person_id] => %i[people id],
        %i[account_otp_keys id] => %i[people id],
        %i[names account_id] => %i[accounts id]
      }.freeze
      SHOWN = 20

      def initialize(db, safe)
        @db = db
        @safe = safe
      end

      # [sentence] of what is wrong; empty where all is well.
      def problems = pages + chain + numbers + seals + references

      private

      def say(key, **values) = Words.say(:"verify.#{key}", **values)

      # SQLite's own check of the file.
      def pages
        found = @db.fetch("PRAGMA integrity_check(#{SHOWN})").map { |row| row.values.first.to_s }
        found == ["ok"] ? [] : found.flat_map(&:lines).map { |line| say("page", says: line.strip) }
      end

      def chain
        at = Store::Journal.new(@db).broken_at
        at ? [say("chain", seq: at)] : []
      end

      # The journal's numbers leave none out, also at the end (SQLite keeps the highest that it
      # gave).
      def numbers
        first, last, count, given = rows.journal_numbers
        found = []
        if count.positive? && last - first + 1 != count
          found << say("gap", count: last - first + 1 - count)
        end
        found << say("cut", last: last.to_i, given: given) if given > last.to_i
        found
      end

      def rows = Store::WholeTables.new(@db)

      def seals
        Store::Seals.broken(@db, @safe).first(SHOWN).map { |where| say("seal", where: where) }
      end

      def references
        REFERENCES.flat_map do |(table, column), (other, key)|
          rows
            .lost(table, column, other, key)
            .first(SHOWN)
            .map { |id| say("reference", table: table, column: column, id: id, other: other) }
        end
      end
    end
  end
end
