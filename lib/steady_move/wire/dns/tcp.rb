# frozen_string_literal: true

module SteadyMove
  module Wire
    module Dns
      # DNS messages over TCP: two octets of length, then the message (RFC 1035 §4.2.2).
      module Tcp
        module_function

        def write(io, octets) = io.write([octets.bytesize].pack("n") << octets.b)

        # One message's octets; nil at the end or where it is cut.
        def read(io)
          head = io.read(2)
          return unless head && head.bytesize == 2

          size = head.unpack1("n")
          body = io.read(size)
          body if body && body.bytesize == size
        end
      end
    end
  end
end
