# frozen_string_literal: true

require "sequel"

module SteadyMove
  module Store
    # The desk's SQLite file: opened in WAL mode, migrated, refused where it is damaged or newer than this version.
    module Database
      # Why the file can't be used; one line for people.
      class Unusable < StandardError; end

      MIGRATIONS = File.join(__dir__, "migrations")

      module_function

      # path: file name. Returns a Sequel database; raises Unusable.
      def open(path)
        db = Sequel.sqlite(path, max_connections: 32, timeout: 0,
                                 connect_sqls: ["PRAGMA journal_mode=WAL", "PRAGMA synchronous=FULL", "PRAGMA foreign_keys=ON"],
                                 after_connect: ->(c) { c.busy_handler_timeout = 5000 })
        Sequel.extension(:migration)
        Sequel::Migrator.run(db, MIGRATIONS, use_transactions: true)
        db
      rescue Sequel::Migrator::Error
        raise Unusable, "#{path} was written by a newer version of Steady Move; this one is #{VERSION}"
      rescue Sequel::DatabaseError, SystemCallError => e
        raise Unusable, "#{path} can't be used as a database: #{e.message.lines.first.strip}"
      end
    end
  end
end
