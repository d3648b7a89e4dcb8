# frozen_string_literal: true

require "digest"
require "openssl"

module SteadyMove
  module Desk
    module Portfolio
      # Judged names in a file, so that the first list after a start needs no judging. Signed with
      # the desk's own key; anything that does not fit, another version or another rulebook, and it
      # is as if there were none.
      class KeptOutlines
        CODE =
          File.join(
            ROOT,
            "lib",
            "steady_move",
            "{core/readiness,core/names,desk/portfolio}",
            "**",
            "*.rb"
          )

        # Octets of the signature.
        SIGNATURE = 32

        # file: path, or nil to keep nothing.
        def initialize(ports, file)
          @ports = Ports.of(ports)
          @file = file
        end

        # list: [PortfolioIndex::Entry]; marks: of Store::Names; basis: what judging rested on. The
        # file is there whole or not at all.
        def write(list, marks, basis)
          return unless @file

          data = Marshal.dump([marks, basis, list])
          File.open(part = "#{@file}.part", "wb", 0o600) { |io| io.write(sign(data), data) }
          File.rename(part, @file)
        rescue SystemCallError
          nil # the next start judges anew
        end

        # Returns [entries, marks], or nil.
        def read(basis)
          return unless @file && File.exist?(@file)

          signature, data = File.open(@file, "rb") { |io| [io.read(SIGNATURE), io.read] }
          return unless data && OpenSSL.secure_compare(signature, sign(data))

          marks, kept_basis, list = Marshal.load(data, freeze: true) # rubocop:disable Security/MarshalLoad -- our own
          [list, marks] if kept_basis == basis
        rescue SystemCallError, TypeError, ArgumentError
          nil
        end

        private

        # Over the data and all that judging is made of.
        def sign(data)
          (OpenSSL::HMAC.new(@ports.safe.derive("outlines"), "SHA256") << stamp << data).digest
        end

        def stamp
          @stamp ||=
            begin
              files = Dir[CODE] + Dir[File.join(ROOT, "config", "rulebook", "*.yml")]
              Digest::SHA256.hexdigest(
                [VERSION, *files.sort.map { |f| Digest::SHA256.file(f).hexdigest }].join
              )
            end
        end
      end
    end
  end
end
