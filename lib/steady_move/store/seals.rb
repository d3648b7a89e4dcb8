# frozen_string_literal: true

module SteadyMove
  module Store
    # Everything in the database that is sealed with the key file's key: where it is, whether it
    # opens, and how it is sealed with another key.
    module Seals
      PLACES = {
        accounts: %i[secret],
        dns_hosts: %i[secret],
        codes: %i[sealed],
        settings: %i[sealed],
        letters: %i[word],
        messages: %i[sealed_code],
        secrets: %i[sealed],
        originals: %i[sealed],
        inboxes: %i[password],
        webhooks: %i[secret]
      }.freeze

      module_function

      def any?(db)
        PLACES.any? { |table, columns| columns.any? { |c| db[table].exclude(c => nil).any? } }
      end

      # Calls the block with table, rowid, column and the sealed octets of each.
      def each(db)
        return to_enum(:each, db) unless block_given?

        PLACES.each do |table, columns|
          columns.each do |column|
            db[table]
              .exclude(column => nil)
              .select(:rowid, column)
              .order(:rowid)
              .each { |row| yield table, row[:rowid], column, row[column] }
          end
        end
      end

      # Those that a safe doesn't open: [“table column, row n”].
      def broken(db, safe)
        each(db)
          .reject { |_, _, _, octets| safe.opens?(octets) }
          .map { |table, row, column, _| "#{table}.#{column}, row #{row}" }
      end

      # Does a safe open what is sealed? Asked of one, at start; true where there is nothing.
      def fits?(db, safe)
        first = each(db).first
        first.nil? || safe.opens?(first.last)
      end

      # Seals everything with another safe's key. Within the caller's transaction. Returns how many
      # there were.
      def change(db, from, to)
        each(db)
          .to_a
          .each do |table, row, column, octets|
            db[table].where(rowid: row).update(column => to.seal(from.open(octets)))
          end
          .size
      end
    end
  end
end
