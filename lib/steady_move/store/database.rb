# frozen_string_literal: true

require "monitor"
require "sequel"

module SteadyMove
  module Store
    # The desk's SQLite file: opened in WAL mode, migrated, refused where it is damaged or newer than this version.
    # Every writing transaction is immediate, and within a process they take turns.
    module Database
      # Why the file can't be used; one line for people.
      class Unusable < StandardError; end

      MIGRATIONS = File.join(__dir__, "migrations")
      # Milliseconds that a writer waits for one of another process.
      PATIENCE = 15_000

      # One transaction at a time in this process; whoever waits keeps no connection meanwhile.
      module Turns
        def transaction(options = {}, &work)
          return super if in_transaction?(options)

          turns.synchronize { super(options, &work) }
        end

        private

        def turns = @turns ||= Monitor.new
      end

      module_function

      # path: file name. Returns a Sequel database; raises Unusable.
      def open(path)
        db = connect(path)
        Sequel.extension(:migration)
        Sequel::Migrator.run(db, MIGRATIONS, use_transactions: true)
        db
      rescue Sequel::Migrator::Error
        raise Unusable, "#{path} was written by a newer version of Steady Move; this one is #{VERSION}"
      rescue Sequel::DatabaseError, SystemCallError => e
        raise damaged(path, e.message) if Trouble.of(e) == :damaged

        raise Unusable, "#{path} can't be used as a database: #{e.message.lines.first.strip}"
      end

      # Are the file's pages whole? Raises Unusable.
      def check(db, path)
        found = db.fetch("PRAGMA quick_check(1)").first.values.first.to_s
        raise damaged(path, found) unless found == "ok"
      rescue Sequel::DatabaseError => e
        raise damaged(path, e.message)
      end

      def damaged(path, says)
        Unusable.new("#{path} is no whole database (#{says.scrub.lines.first.to_s.strip}); restore a backup")
      end

      def connect(path)
        settings = ["PRAGMA journal_mode=WAL", "PRAGMA synchronous=FULL", "PRAGMA foreign_keys=ON"]
        db = Sequel.sqlite(path, max_connections: 64, timeout: 0, connect_sqls: settings,
          after_connect: ->(c) { c.busy_handler_timeout = PATIENCE })
        db.transaction_mode = :immediate
        db.extend(Turns)
        db.send(:turns)
        db
      end
      private_class_method :connect, :damaged
    end
  end
end
