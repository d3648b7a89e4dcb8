# frozen_string_literal: true

require "zip"
require "sequel"
require "tmpdir"

module SteadyMove
  module Desk
    # One archive with the database and the key file; made while the desk runs.
    module Backup
      DATABASE = "steady-move.sqlite3"
      KEY = "steady-move.key"

      module_function

      # config: Config; file: where the archive goes (it must not be there yet).
      def make(config, file)
        fail!(:backup_there, file: file) if File.exist?(file)
        fail!(:no_database, folder: config.data) unless File.exist?(config.database)

        Dir.mktmpdir do |folder|
          copy = File.join(folder, DATABASE)
          db = Sequel.sqlite(config.database, readonly: true, timeout: 5000)
          db.run("VACUUM INTO '#{copy.gsub("'", "''")}'")
          db.disconnect
          write(file, DATABASE => copy, KEY => config.key_file)
        end
      rescue SystemCallError, Sequel::DatabaseError => e
        fail!(:backup_not_made, says: e.message.lines.first.strip)
      end

      # Puts an archive into an empty data folder.
      def restore(config, file)
        fail!(:folder_not_empty, folder: config.data) if File.exist?(config.database)

        Dir.mktmpdir do |folder|
          read(file, folder)
          Store::Database.open(File.join(folder, DATABASE)).disconnect
          FileUtils.cp(File.join(folder, DATABASE), config.database)
          FileUtils.install(File.join(folder, KEY), config.key_file, mode: 0o600)
        end
      rescue Zip::Error, SystemCallError => e
        fail!(:not_restored, file: file, says: e.message.lines.first.strip)
      end

      def write(file, entries)
        File.open(file, File::WRONLY | File::CREAT | File::EXCL, 0o600) do |io|
          zipped = Zip::OutputStream.write_buffer do |zip|
            entries.each { |name, path| zip.put_next_entry(name) && zip.write(File.binread(path)) }
          end
          io.write(zipped.string)
        end
      end

      def read(file, folder)
        Zip::File.open(file) do |zip|
          [DATABASE, KEY].each do |name|
            entry = zip.find_entry(name) or fail!(:not_a_backup, file: file, name: name)
            File.binwrite(File.join(folder, name), entry.get_input_stream.read)
          end
        end
      end

      def fail!(key, **values) = raise(Refused.new(:unusable, key, **values))
      private_class_method :write, :read, :fail!
    end
  end
end
