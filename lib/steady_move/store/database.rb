# frozen_string_literal: true

require "monitor"
require "sequel"

module SteadyMove
  module Store
    # The desk's SQLite file: opened in WAL mode, migrated, refused where it is damaged or newer
    # than this version. Every writing transaction is immediate, and within a process they take
    # turns.
    module Database
      # Why the file can't be used; one line for people.
      class Unusable < StandardError
      end

      MIGRATIONS = File.join(__dir__, "migrations")
      # The number of the newest migration.
      LATEST = Dir[File.join(MIGRATIONS, "*.rb")].map { |file| File.basename(file).to_i }.max
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

      # path: file name; before: called where what is there has to be brought to today's schema,
      # before that begins. Returns a Sequel database; raises Unusable.
      def open(path, before: nil)
        guarded(path) do
          db = connect(path)
          standing = schema(db)
          raise newer(db, path) if standing > LATEST

          before&.call if standing.between?(1, LATEST - 1)
          migrate(db, standing)
          db
        end
      end

      # Has what is in the file to be brought to today's schema?
      def behind?(path)
        guarded(path) do
          db = connect(path)
          schema(db).between?(1, LATEST - 1)
        ensure
          db&.disconnect
        end
      end

      # The number of the last migration that a database has seen; 0 where it holds nothing.
      def schema(db) = db.table_exists?(:schema_info) ? db[:schema_info].get(:version).to_i : 0

      def migrate(db, standing)
        unless standing == LATEST
          Sequel.extension(:migration)
          Sequel::Migrator.run(db, MIGRATIONS, use_transactions: true)
        end
        kept = SystemState.new(db)
        kept["version"] = VERSION unless standing == LATEST && kept["version"] == VERSION
      end

      def guarded(path)
        yield
      rescue Sequel::DatabaseError, SystemCallError => e
        raise damaged(path, e.message) if Trouble.kind(e) == :damaged

        raise Unusable, "#{path} can't be used as a database: #{e.message.lines.first.strip}"
      end

      def newer(db, path)
        by = db.table_exists?(:keeping) ? SystemState.new(db)["version"] : nil
        by = nil if by == VERSION
        Unusable.new(
          "#{path} was written by #{by ? "Steady Move #{by}" : "a newer version of Steady Move"}; " \
            "this one is #{VERSION}: start the newer one, or restore a backup made before it"
        )
      end

      # Are the file's pages whole? Raises Unusable.
      def check(db, path)
        found = db.fetch("PRAGMA quick_check(1)").first.values.first.to_s
        raise damaged(path, found) unless found == "ok"
      rescue Sequel::DatabaseError => e
        raise damaged(path, e.message)
      end

      def damaged(path, says)
        Unusable.new(
          "#{path} is no whole database (#{says.scrub.lines.first.to_s.strip}); restore a backup"
        )
      end

      def connect(path)
        settings = ["PRAGMA journal_mode=WAL", "PRAGMA synchronous=FULL", "PRAGMA foreign_keys=ON"]
        db =
          Sequel.sqlite(
            path,
            max_connections: 64,
            timeout: 0,
            connect_sqls: settings,
            after_connect: ->(c) { c.busy_handler_timeout = PATIENCE }
          )
        db.transaction_mode = :immediate
        db.extend(Turns)
        db.send(:turns)
        db
      end
      private_class_method :connect, :damaged, :migrate, :guarded, :newer
    end
  end
end
