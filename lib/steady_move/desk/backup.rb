# frozen_string_literal: true

require "zip"
require "sequel"
require "tmpdir"

module SteadyMove
  module Desk
    # One archive with the database and the key file; made while the desk runs, and tried by opening
    # it.
    module Backup
      DATABASE = "steady-move.sqlite3"
      KEY = "steady-move.key"
      # Octets that a database may have once it is unpacked, and a key.
      MOST = { DATABASE => 64 * (1024**3), KEY => 1000 }.freeze
      PIECE = 1024 * 1024

      module_function

      # config: Config; file: where the archive goes (it must not be there yet).
      def make(config, file)
        fail!(:backup_there, file: file) if File.exist?(file)
        fail!(:no_database, folder: config.data) unless File.exist?(config.database)

        # beside the archive, where there must be room anyway
        Dir.mktmpdir(".steady-move-", File.dirname(File.expand_path(file))) do |folder|
          copy = File.join(folder, DATABASE)
          copy_of(config, copy)
          write(file, DATABASE => copy, KEY => config.key_file)
        end
      rescue SystemCallError, Sequel::DatabaseError => e
        fail!(:backup_not_made, says: e.message.lines.first.strip)
      end

      # One consistent copy of the database, also while it is written to, and from a folder that can
      # only be read.
      def copy_of(config, copy)
        vacuum(config.database, copy)
      rescue Sequel::DatabaseConnectionError, Sequel::DatabaseError => e
        raise if File.writable?(config.data) || Store::Trouble.kind(e) != :read_only

        # SQLite can't join what lies in the journal file without writing beside it: it is joined in
        # a copy
        beside = "#{copy}.beside"
        ["", "-wal"].each do |more|
          if File.exist?("#{config.database}#{more}")
            FileUtils.cp("#{config.database}#{more}", "#{beside}#{more}")
          end
        end
        vacuum(beside, copy)
      end

      def vacuum(from, to)
        db = Sequel.sqlite(from, readonly: File.basename(from) == DATABASE, timeout: 5000)
        db.run("VACUUM INTO '#{to.gsub("'", "''")}'")
      ensure
        db&.disconnect
      end

      # Opens an archive and walks through what is in it. Returns [sentence] of what is wrong;
      # raises Refused where it is no backup.
      def check(file)
        unpacked(file) do |folder|
          db = Store::Database.open(File.join(folder, DATABASE))
          problems =
            Verification.new(db, Store::Safe.at(File.join(folder, KEY), sealed: true)).problems
          db.disconnect
          problems
        end
      rescue Store::Database::Unusable => e
        [e.message]
      end

      # Puts an archive into an empty data folder. Raises Refused.
      def restore(config, file)
        fail!(:folder_not_empty, folder: config.data) if File.exist?(config.database)
        fail!(:key_there, file: config.key_file) if File.exist?(config.key_file)

        unpacked(file) do |folder|
          db = Store::Database.open(File.join(folder, DATABASE))
          KeyChange.check(db, Store::Safe.at(File.join(folder, KEY), sealed: true), file)
          db.disconnect
          %w[-wal -shm].each { |more| FileUtils.rm_f("#{config.database}#{more}") }
          owner = owner_of(File.dirname(config.database))
          FileUtils.install(File.join(folder, KEY), config.key_file, mode: 0o600, **owner)
          FileUtils.install(File.join(folder, DATABASE), config.database, mode: 0o600, **owner)
        end
      rescue Zip::Error, SystemCallError => e
        fail!(:not_restored, file: file, says: e.message.lines.first.strip)
      end

      # Whoever runs the desk keeps its folder: what root restores is theirs.
      def owner_of(folder)
        return {} unless Process.euid.zero?

        File.stat(folder).then { |s| { owner: s.uid, group: s.gid } }
      end

      # Calls the block with a folder that holds the archive's two files. Raises Refused.
      def unpacked(file)
        Dir.mktmpdir do |folder|
          read(file, folder)
          yield folder
        end
      rescue Zip::Error, SystemCallError => e
        fail!(:not_restored, file: file, says: e.message.lines.first.strip)
      end

      # A whole archive, or none.
      def write(file, entries)
        part = "#{file}.part"
        File.open(part, File::WRONLY | File::CREAT | File::EXCL, 0o600).close
        Zip::OutputStream.open(part) do |zip|
          entries.each do |name, path|
            zip.put_next_entry(name) && File.open(path, "rb") { |from| pour(from, zip) }
          end
        end
        File.open(part, &:fsync)
        File.rename(part, file)
      ensure
        FileUtils.rm_f(part)
      end

      # Members and sizes are looked at first; nothing is believed of what the archive says of
      # itself.
      def read(file, folder)
        Zip::File.open(file) do |zip|
          strange = zip.entries.map(&:name) - MOST.keys
          fail!(:strange_member, file: file, name: strange.first) if strange.any?
          MOST.each do |name, most|
            entry = zip.find_entry(name) or fail!(:not_a_backup, file: file, name: name)
            fail!(:member_too_large, file: file, name: name) if entry.size > most
            File.open(File.join(folder, name), "wb", 0o600) do |to|
              pour(entry.get_input_stream, to, most: entry.size)
            end
          end
        end
      end

      def pour(from, into, most: nil)
        poured = 0
        while (piece = from.read(PIECE)) && !piece.empty?
          poured += piece.bytesize
          raise Zip::Error, "a member is longer than it says" if most && poured > most

          into.write(piece)
        end
      end

      def fail!(key, **values) = raise(Refused.new(:unusable, key, **values))
      private_class_method :copy_of, :vacuum, :write, :read, :pour, :unpacked, :fail!
    end
  end
end
