# frozen_string_literal: true

require "socket"
require "dnsruby"

module Practice
  module Dns
    # An authoritative server on UDP and TCP of one loopback port: queries, AXFR (RFC 5936), updates
    # (RFC 2136), the last two only with the host's key (RFC 8945).
    class Server
      Codec = SteadyMove::Wire::Dns::Codec
      Tcp = SteadyMove::Wire::Dns::Tcp
      UDP_MOST = 1232

      def initialize(port, world, host)
        @world = world
        @host = host
        @udp = UDPSocket.new.tap { |s| s.bind("127.0.0.1", port) }
        @tcp = TCPServer.new("127.0.0.1", port)
      end

      def start
        Thread.new { loop { serve_udp } }
        Thread.new { loop { Thread.new(@tcp.accept) { |s| serve_tcp(s) } } }
      end

      private

      def serve_udp
        octets, from = @udp.recvfrom(4096)
        reply = answer(octets, tcp: false) or return
        @udp.send(reply, 0, from[3], from[1])
      rescue SystemCallError, IOError
        nil
      end

      def serve_tcp(socket)
        while (octets = Tcp.read(socket))
          reply = answer(octets, tcp: true) or break
          Tcp.write(socket, reply)
        end
      rescue SystemCallError, IOError
        nil
      ensure
        socket.close
      end

      # Octets in, octets out; nil for silence.
      def answer(octets, tcp:)
        return if @world.fault?("silent-#{@host.id}")

        request = Codec.message(octets)
        broken = @world.fault?("servfail-#{@host.id}")
        reply =
          broken ? base(request, "SERVFAIL") : @world.exclusively { act(request, octets, tcp) }
        encoded = reply.encode
        return tcp ? nil : base(request).tap { |m| m.header.tc = true }.encode if @world.fault?(
          "truncated-#{@host.id}"
        )

        return encoded if tcp || encoded.bytesize <= UDP_MOST

        base(request).tap { |m| m.header.tc = true }.encode
      rescue SteadyMove::Wire::Error
        nil
      end

      def base(request, rcode = "NOERROR")
        Dnsruby::Message.new.tap do |m|
          request.question.each { |q| m.add_question(q) }
          m.header.id = request.header.id
          m.header.qr = true
          m.header.opcode = request.header.opcode
          m.header.rcode = rcode
        end
      end

      def act(request, octets, tcp)
        return update(request, octets) if request.header.opcode.string == "Update"

        question = request.question.first or return base(request, "FORMERR")
        return transfer(request, octets, question) if tcp && question.qtype.code == 252

        name = Codec.name_of(question.qname)
        zone = @host.zone_for(name)
        result =
          Answers.of(zone, name, SteadyMove::Core::Records::Rdata.type_of(question.qtype.code))
        result = Answers.signed(result, zone) if zone && request.get_opt&.dnssec_ok
        fill(base(request), result)
      end

      def fill(message, result)
        message.header.rcode = result.rcode
        message.header.aa = result.aa
        put(message, result.answer, result.authority, result.additional.to_a)
      end

      def put(message, answer, authority = [], additional = [])
        answer.each { |r| message.answer << Codec.encode(r) }
        authority.each { |r| message.authority << Codec.encode(r) }
        additional.each { |r| message.additional << Codec.encode(r) }
        message.header.ancount = answer.size
        message.header.nscount = authority.size
        message.header.arcount += additional.size
        message
      end

      def transfer(request, octets, question)
        signer = signed_by(request, octets)
        zone = @host.zone(Codec.name_of(question.qname))
        unless signer && zone && @host.transfer? && !@world.fault?("no-transfer-#{@host.id}")
          return base(request, "REFUSED")
        end

        soa, rest = zone.records.partition { |r| r.type == "SOA" }
        sign(put(base(request).tap { |m| m.header.aa = true }, soa + rest + soa), signer, request)
      end

      def update(request, octets)
        signer = signed_by(request, octets) or return base(request, "REFUSED")
        return base(request, "REFUSED") if @world.fault?("no-update-#{@host.id}")

        code = Update.new(@host, request).apply
        sign(base(request, code), signer, request)
      end

      # The key's signer where the request carries a valid signature, else nil.
      def signed_by(request, octets)
        tsig = request.tsig or return
        secret = @host.keys[tsig.name.to_s.chomp(".")] or return
        signer = Codec.signer(name: tsig.name.to_s, secret: secret)
        mac = tsig.mac
        return unless signer.verify(nil, request, octets)

        @mac = mac
        signer
      end

      # A reply is signed over the request's own signature as well (RFC 8945 §5.3).
      def sign(reply, signer, request)
        signer.apply(
          reply,
          RequestMac.new(RequestMac::Tsig.new(@mac, @mac.bytesize), request.header)
        )
        reply
      end

      # What the signer needs of a request whose signature has been taken off.
      RequestMac = Struct.new(:tsig, :header)
      RequestMac::Tsig = Struct.new(:mac, :mac_size)
    end
  end
end
