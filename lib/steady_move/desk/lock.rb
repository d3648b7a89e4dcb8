# frozen_string_literal: true

module SteadyMove
  module Desk
    # One data folder, one desk: whoever runs holds a lock on a file in it, which ends with the
    # process.
    class Lock
      # Raises Refused where another process holds it; the holder's number is told. The lock holds
      # until `release`.
      def self.take(config)
        file = File.open(File.join(config.data, "desk.lock"), File::RDWR | File::CREAT, 0o600)
        unless file.flock(File::LOCK_EX | File::LOCK_NB)
          raise Refused.new(
                  :unusable,
                  :folder_held,
                  folder: config.data,
                  pid: file.read(20).to_s.strip
                )
        end

        file.truncate(0)
        file.write("#{Process.pid}\n")
        file.flush
        new(file)
      rescue Errno::EACCES, Errno::EROFS
        raise Refused.new(:unusable, :folder_read_only, folder: config.data)
      end

      # Does a desk run on this folder just now? Its process's number, or nil.
      def self.holder(config)
        lock = take(config)
        lock.release
        nil
      rescue Refused => e
        raise unless e.key == "folder_held"

        e.phrase.values[:pid]
      end

      def initialize(file)
        @file = file
      end

      def release = @file.close
    end
  end
end
