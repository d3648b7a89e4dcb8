# frozen_string_literal: true

require "lockbox"
require "openssl"

module SteadyMove
  module Store
    # Seals secrets with a key that lives in a file outside the database.
    class Safe
      # file: the key's file, made (mode 0600) where it is missing and nothing was sealed yet.
      # sealed: does the database hold anything that a key sealed? Raises Database::Unusable.
      def self.at(file, sealed: false)
        unless File.exist?(file)
          raise Database::Unusable, Words.say(:"key.missing", file: file) if sealed

          keep(file, Lockbox.generate_key)
        end
        new(File.open(file, &:gets).to_s.strip)
      rescue ArgumentError, Lockbox::Error
        raise Database::Unusable, Words.say(:"key.no_key", file: file)
      rescue SystemCallError => e
        raise Database::Unusable, Words.say(:"key.unreadable", file: file, says: e.message)
      end

      # Writes a key into a new file and onto the disk.
      def self.keep(file, key)
        File.open(file, File::WRONLY | File::CREAT | File::EXCL, 0o600) do |io|
          io.write("#{key}\n") && io.fsync
        end
      end

      def initialize(key)
        raise ArgumentError, "64 hexadecimal digits are expected" unless key.match?(/\A\h{64}\z/)

        @key = key
        @box = Lockbox.new(key: key)
      end

      def seal(text) = Sequel.blob(@box.encrypt(text))
      def open(sealed) = @box.decrypt(sealed).force_encoding(Encoding::UTF_8)

      # Was this sealed with this key, and is it whole?
      def opens?(sealed)
        @box.decrypt(sealed)
        true
      rescue Lockbox::DecryptionError
        false
      end

      # 64 hexadecimal digits for another use of the same key, e.g. signing sessions.
      def derive(purpose) = OpenSSL::HMAC.hexdigest("SHA256", @key, purpose)

      def inspect = "#<Safe>"
    end
  end
end
