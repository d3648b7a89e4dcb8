# frozen_string_literal: true

require "zip"
require "sequel"
require "tmpdir"

module SteadyMove
  module Desk
    # One archive with the database and the key file; made while the desk runs.
    module Backup
      # Why it can't be made or taken; one line.
      class Failed < StandardError; end

      DATABASE = "steady-move.sqlite3"
      KEY = "steady-move.key"

      module_function

      # config: Config; file: where the archive goes (it must not be there yet).
      def make(config, file)
        raise Failed, "#{file} is there already; name a new file" if File.exist?(file)
        raise Failed, "there is no database in #{config.data}" unless File.exist?(config.database)

        Dir.mktmpdir do |folder|
          copy = File.join(folder, DATABASE)
          db = Sequel.sqlite(config.database, readonly: true, timeout: 5000)
          db.run("VACUUM INTO '#{copy.gsub("'", "''")}'")
          db.disconnect
          write(file, DATABASE => copy, KEY => config.key_file)
        end
      rescue SystemCallError, Sequel::DatabaseError => e
        raise Failed, "the backup could not be made: #{e.message.lines.first.strip}"
      end

      # Puts an archive into an empty data folder.
      def restore(config, file)
        raise Failed, "#{config.data} holds a database already; restore into an empty folder" if File.exist?(config.database)

        Dir.mktmpdir do |folder|
          read(file, folder)
          Store::Database.open(File.join(folder, DATABASE)).disconnect
          FileUtils.cp(File.join(folder, DATABASE), config.database)
          FileUtils.install(File.join(folder, KEY), config.key_file, mode: 0o600)
        end
      rescue Zip::Error, SystemCallError => e
        raise Failed, "#{file} can't be restored: #{e.message.lines.first.strip}"
      end

      def write(file, entries)
        File.open(file, File::WRONLY | File::CREAT | File::EXCL, 0o600) do |io|
          io.write(Zip::OutputStream.write_buffer { |zip| entries.each { |name, path| zip.put_next_entry(name) && zip.write(File.binread(path)) } }.string)
        end
      end

      def read(file, folder)
        Zip::File.open(file) do |zip|
          [DATABASE, KEY].each do |name|
            entry = zip.find_entry(name) or raise Failed, "#{file} is not a backup of Steady Move: #{name} is missing in it"
            File.binwrite(File.join(folder, name), entry.get_input_stream.read)
          end
        end
      end
      private_class_method :write, :read
    end
  end
end
