# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    module Operations
      # Takes an export into an empty desk. All of it or nothing: a file that lacks, a line that is
      # no JSON or a column that nobody knows is named, and the desk stays empty.
      class Import
        # Tables that must be empty for that.
        EMPTY = %i[people names moves events accounts].freeze
        MOST = 64 * 1024 * 1024

        def initialize(ports, folder)
          @ports = Ports.of(ports)
          @db = @ports.db
          @rows = Store::WholeTables.new(@db)
          @folder = folder
        end

        # Returns {table => how many lines}. Raises Refused.
        def call
          full = EMPTY.find { |table| @rows.any?(table) }
          refuse(:desk_not_empty, table: full) if full
          check_format
          @db.transaction do
            @db.run("PRAGMA defer_foreign_keys = ON")
            counts = ExportPolicy.tables(@rows).to_h { |table| [table, take(table)] }
            counts.merge(settings: take_settings)
          end
        rescue Sequel::DatabaseError => e
          refuse(:not_imported, says: e.message.lines.first.strip)
        end

        private

        def refuse(key, **values) = raise(Refused.new(:unusable, key, folder: @folder, **values))
        def place(name) = File.join(@folder, name)

        def check_format
          about = JSON.parse(File.read(place("export.json")))
          same =
            about.values_at("format", "schema") == [ExportPolicy::FORMAT, Store::Database::LATEST]
          refuse(:other_export, version: about["version"], mine: VERSION) unless same
        rescue SystemCallError, JSON::ParserError
          refuse(:no_export)
        end

        def take(table)
          columns = ExportPolicy.columns(@rows, table)
          # what was emptied by a migration of its own (rows made at first) is filled anew
          @rows.clear(table) unless table == :events
          rows("tables/#{table}.jsonl") do |row, line|
            strange = row.keys.map(&:to_sym) - columns
            if strange.any?
              refuse(:strange_column, file: "#{table}.jsonl", line: line, column: strange.first)
            end
            @rows.insert(
              table,
              row.transform_keys(&:to_sym).merge(ExportPolicy::INSTEAD.fetch(table, {}))
            )
          end
        end

        def take_settings
          settings = Store::SettingRows.new(@db, @ports.safe)
          rows("tables/settings.jsonl") do |row, _|
            settings.put(row["key"], row["value"], row["changed_at"])
          end
        end

        # Calls the block with each line's map and its number; returns how many there were.
        def rows(name)
          count = 0
          File.foreach(place(name), encoding: Encoding::UTF_8) do |text|
            count += 1
            refuse(:long_line, file: name, line: count) if text.bytesize > MOST
            yield JSON.parse(text, max_nesting: 60), count
          end
          count
        rescue JSON::ParserError
          refuse(:no_json_line, file: name, line: count)
        rescue SystemCallError => e
          refuse(:not_imported, says: e.message[/\A[^@]+/].strip)
        end
      end
    end
  end
end
