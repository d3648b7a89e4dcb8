# frozen_string_literal: true

require "sequel"
require "json"

module Practice
  # The world's own SQLite file.
  module Database
    # Raised with one line where a file is of another version.
    class Outdated < StandardError
    end

    # Raised with every change of the tables below.
    VERSION = 4

    module_function

    def open(path)
      db =
        Sequel.sqlite(
          path,
          max_connections: 8,
          timeout: 0,
          connect_sqls: ["PRAGMA journal_mode=WAL", "PRAGMA synchronous=NORMAL"],
          after_connect: ->(c) { c.busy_handler_timeout = 5000 }
        )
      version(db)
      schema(db)
      contacts(db)
      orders(db)
      db
    end

    def version(db)
      found = db.fetch("PRAGMA user_version").get
      if db.table_exists?(:domains) && found != VERSION
        raise Outdated,
              "what an earlier practice world left behind is of another version; begin anew with " \
                "bin/demo --fresh"
      end

      db.run("PRAGMA user_version = #{VERSION}")
    end

    # Orders at a registrar's pages; how names stood before, for a record that is behind.
    def orders(db)
      db.create_table?(:orders) do
        primary_key :id
        %i[registrar name state code needs half number].each { |c| String c }
        Integer :price
        TrueClass :renews_itself, default: false
      end
      db.create_table?(:earlier) do
        primary_key :id
        String :name, index: true
        Integer :until_at
        String :row
      end
    end

    def contacts(db)
      db.create_table?(:contacts) do
        String :id, primary_key: true
        %i[roid name org street city country voice email sponsor].each { |c| String c }
        %i[created_at updated_at].each { |c| Integer c }
        TrueClass :opted_out, default: false
      end
    end

    def schema(db)
      db.create_table?(:settings) do
        String :key, primary_key: true
        String :value
      end
      db.create_table?(:domains) do
        String :name, primary_key: true
        %i[roid sponsor statuses name_servers ds auth_info registrant admin veil].each do |c|
          String c
        end
        %i[created_at updated_at expires_at transferred_at auth_ends].each { |c| Integer c }
      end
      db.create_table?(:transfers) do
        primary_key :id
        %i[name status requested_by acts].each { |c| String c }
        %i[requested_at act_at years].each { |c| Integer c }
      end
      db.create_table?(:queue) do
        primary_key :id
        %i[client text name].each { |c| String c }
        Integer :at
      end
      db.create_table?(:agenda) do
        primary_key :id
        Integer :at, index: true
        String :kind
        String :payload
        TrueClass :done, default: false
      end
      db.create_table?(:asked) do
        primary_key :id
        %i[registrar command name key].each { |c| String c }
        Integer :at
        Integer :code
      end
      db.run "CREATE INDEX IF NOT EXISTS agenda_open ON agenda(at, id) WHERE done = 0"
      db.run "CREATE INDEX IF NOT EXISTS agenda_kinds ON agenda(kind, at, id) WHERE done = 0"
      db.run "CREATE INDEX IF NOT EXISTS agenda_names ON agenda(kind, json_extract(payload, " \
               "'$.name')) WHERE done = 0"
      db.create_table?(:zones) do
        String :host
        String :origin
        String :text
        primary_key %i[host origin]
      end
      db.create_table?(:mail) do
        primary_key :uid
        Integer :at
        String :raw
      end
      db.create_table?(:faults) do
        String :id, primary_key: true
        String :detail
      end
    end
  end
end
