# frozen_string_literal: true

module SteadyMove
  module Wire
    module Epp
      # EPP data units over TCP: four octets of total length in network order, then the XML (RFC
      # 5734 §4).
      module Framing
        MOST = 1024 * 1024

        module_function

        # Writes one data unit; xml: String.
        def write(io, xml)
          body = xml.b
          io.write([body.bytesize + 4].pack("N") << body)
          io.flush
        end

        # Reads one data unit; nil where the peer has closed between units.
        # Raises Unreachable for a cut unit, Malformed for a length that can't be.
        def read(io)
          head = io.read(4) or return
          raise Unreachable, "the connection ended inside a message" if head.bytesize < 4

          size = head.unpack1("N") - 4
          unless size.between?(1, MOST)
            raise Malformed,
                  "a message length of #{size + 4} octets was announced; 5 to #{MOST} are taken"
          end

          body = io.read(size)
          if body.nil? || body.bytesize < size
            raise Unreachable, "the connection ended inside a message"
          end

          body.force_encoding(Encoding::UTF_8)
        end
      end
    end
  end
end
