# frozen_string_literal: true

require "csv"
require "fileutils"
require "json"

module SteadyMove
  module Desk
    module Operations
      # Everything in open formats, into a new folder: JSON lines for each table, and beside them
      # what others can read at once: zone files, messages as .eml, the names as CSV. Never a code,
      # a password or another way in.
      class Export
        # folder: where it goes; it must not be there, or be empty.
        def initialize(ports, folder)
          @ports = Ports.of(ports)
          @db = @ports.db
          @rows = Store::WholeTables.new(@db)
          @folder = folder
        end

        # Returns {table => how many lines}. Raises Refused.
        def call
          if Dir.exist?(@folder) && !Dir.empty?(@folder)
            raise Refused.new(:unusable, :folder_full, folder: @folder)
          end

          %w[tables zones mail].each do |part|
            FileUtils.mkdir_p(File.join(@folder, part), mode: 0o700)
          end
          # one state of everything; whoever writes meanwhile is not kept waiting
          counts =
            @db.transaction(mode: :deferred) do
              lines = ExportPolicy.tables(@rows).to_h { |table| [table, table_lines(table)] }
              lines.merge(settings: settings).tap { zones && mail && names }
            end
          write("README.txt", readme(counts))
          write(
            "export.json",
            JSON.pretty_generate(
              format: ExportPolicy::FORMAT,
              version: VERSION,
              schema: Store::Database::LATEST,
              lines: counts
            )
          )
          counts
        rescue SystemCallError => e
          raise Refused.new(
                  :unusable,
                  :not_exported,
                  folder: @folder,
                  says: e.message[/\A[^@]+/].strip
                )
        end

        private

        def write(name, text) = File.write(File.join(@folder, name), text, perm: 0o600)

        # In the order of its rows, so that two exports of the same are the same.
        def table_lines(table)
          columns = ExportPolicy.columns(@rows, table)
          into("tables/#{table}.jsonl") do |file|
            each_row(table, columns) { |row| file.puts(JSON.generate(row.except(:rowid))) }
          end
        end

        def each_row(table, columns, &) = @rows.each_row(table, columns, &)

        def into(name, &)
          File.open(File.join(@folder, name), "w", 0o600, &)
        end

        # What was set on screen, without its passwords.
        def settings
          rows = Store::SettingRows.new(@db, @ports.safe).all
          into("tables/settings.jsonl") do |file|
            rows.each do |row|
              file.puts(JSON.generate(row.merge(value: row[:value].except(*ExportPolicy::SECRET))))
            end
          end
          rows.size
        end

        def zones
          each_row(:zone_copies, %i[id name side text]) do |row|
            write("zones/#{row[:name]}-#{row[:side]}-#{row[:id]}.zone", row[:text])
          end
          each_row(:kept_zones, %i[move_id text]) do |row|
            write("zones/move-#{row[:move_id]}.zone", row[:text].to_s)
          end
        end

        # Codes in them are masked, as everywhere.
        def mail
          each_row(:messages, %i[id message_id sender recipient subject text at]) do |row|
            write("mail/#{row[:id]}.eml", eml(row))
          end
        end

        def eml(row)
          ::Mail
            .new(charset: "UTF-8") do
              from row[:sender].to_s
              to row[:recipient].to_s
              message_id row[:message_id] if row[:message_id]
              date row[:at] ? Time.at(row[:at]).utc : Time.at(0).utc
              subject row[:subject].to_s
              body row[:text].to_s
            end
            .to_s
        end

        def names
          accounts = @ports.accounts.all.to_h { |a| [a.id, a.title] }
          table =
            CSV.generate do |csv|
              csv << %w[name unicode account taken_at]
              @ports.names.all.each do |n|
                shown = Core::Names::Idn.shown(n[:name])
                csv << [
                  n[:name],
                  shown,
                  accounts[n[:account_id]],
                  Time.at(n[:taken_at]).utc.iso8601
                ]
              end
            end
          write("names.csv", table)
        end

        def readme(counts)
          list = counts.map { |table, count| "  tables/#{table}.jsonl: #{count}" }.join("\n")
          Words.say(:"export.readme", version: VERSION, list: list)
        end
      end
    end
  end
end
