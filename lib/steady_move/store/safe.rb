# frozen_string_literal: true

require "lockbox"
require "openssl"

module SteadyMove
  module Store
    # Seals secrets with a key that lives in a file outside the database.
    class Safe
      # file: the key's file, made (mode 0600) where it is missing.
      def self.at(file)
        File.write(file, "#{Lockbox.generate_key}\n", perm: 0o600) unless File.exist?(file)
        new(File.read(file).strip)
      end

      def initialize(key)
        @key = key
        @box = Lockbox.new(key: key)
      end

      def seal(text) = Sequel.blob(@box.encrypt(text))
      def open(sealed) = @box.decrypt(sealed).force_encoding(Encoding::UTF_8)

      # 64 hexadecimal digits for another use of the same key, e.g. signing sessions.
      def derive(purpose) = OpenSSL::HMAC.hexdigest("SHA256", @key, purpose)

      def inspect = "#<Safe>"
    end
  end
end
