# frozen_string_literal: true

module SteadyMove
  module Wire
    module Dns
      # Receives one AXFR on an open connection (RFC 5936 §2.2): from the first SOA to the same SOA
      # again.
      class ZoneTransfer
        # signer: what signed the request (RFC 8945 §5.3.1 for the chain of replies), or nil.
        def initialize(socket, request, signer, server)
          @socket = socket
          @request = request
          @signer = signer
          @server = server
        end

        # Returns the zone's records, the closing SOA left out. Raises Refused, Unreachable or
        # Malformed.
        def records
          Tcp.write(@socket, @request.encode)
          found = []
          until complete?(found)
            found.concat(next_records)
            if found.size > Client::ZONE_MOST
              raise Malformed, "#{@server} sends more than #{Client::ZONE_MOST} records"
            end
            unless found.first&.type == "SOA"
              raise Malformed, "#{@server} began the zone transfer without an SOA"
            end
          end
          found[0..-2]
        end

        private

        def complete?(found) = found.size > 1 && found.last.type == "SOA"

        def next_records
          octets = Tcp.read(@socket) or raise Unreachable, "#{@server} cut the zone transfer short"
          reply = Codec.message(octets)
          code = reply.rcode.string
          unless code == "NOERROR"
            raise Refused.new(code, "#{@server} refused the zone transfer (#{code})")
          end

          verify(reply, octets)
          reply.answer.filter_map { |rr| Codec.decode(rr) }
        end

        def verify(reply, octets)
          return unless @signer

          @signer.verify_envelope(reply, octets)
          return unless reply.tsigstate == :Failed

          raise Malformed, "#{@server} sent a zone transfer whose signature does not fit the key"
        end
      end
    end
  end
end
