# frozen_string_literal: true

require "socket"
require "timeout"

module SteadyMove
  module Wire
    module Dns
      # Asks authoritative servers by name: queries, zone transfers (RFC 5936), updates (RFC 2136).
      class Client
        ZONE_MOST = 200_000
        # What is taken over UDP at once (DNS flag day 2020, common practice).
        UDP_SIZE = 1232

        # servers: {"ns1.host.example" => "127.0.0.1:5301"} overrides; others are resolved by the
        # system, port 53. parents: {suffix => server name} of a registry's own name servers;
        # timeout in seconds per try.
        def initialize(servers: {}, parents: {}, timeout: 3, random: Random)
          @servers = servers
          @parents = parents
          @timeout = timeout
          @random = random
        end

        # The name of a server of the registry that holds the DomainName's suffix; nil where none is
        # known.
        def parent_server(name) = @parents[name.suffix]

        # Is it known where a server is, so that it may be asked? Where addresses are given, only
        # those count.
        def reachable?(server) = @servers.empty? || @servers.key?(server.to_s.chomp(".").downcase)

        # name, type as text; dnssec: with the signatures and what denies a name (RFC 4035 §3.1).
        # Over UDP with EDNS (RFC 6891), over TCP where the answer is cut. Returns an Answer; raises
        # Unreachable or Malformed.
        def query(server, name, type, dnssec: false)
          reply = exchanged(server, extended(question(name, type), dnssec))
          reply = exchanged(server, question(name, type)) if %w[FORMERR NOTIMP].include?(
            reply.rcode.string
          )
          Answer.new(
            server: server,
            rcode: reply.rcode.string,
            authoritative: reply.header.aa,
            answer: records(reply.answer),
            authority: records(reply.authority),
            additional: records(reply.additional)
          )
        end

        # The names and sets of a zone that is signed with NSEC. Returns a Zone; raises Refused
        # where it can't be walked.
        def walk(server, zone) = NsecWalk.new(self, server, zone).zone

        # The whole zone by AXFR, signed by key where given. Returns a Core::Records::Zone; raises
        # Refused too.
        def transfer(server, zone, key: nil)
          request = question(zone, "AXFR")
          signer = sign(request, key)
          found = tcp(server) { |socket| ZoneTransfer.new(socket, request, signer, server).records }
          Core::Records::Zone.new(Core::Records::Name.parse(zone), found)
        end

        # One atomic update of the zone: removes whole sets [[Name, type]], adds Records, then drops
        # single Records (RFC 2136 §2.5, §3.4.2); so an apex NS set is changed, which can't be
        # removed whole.
        def update(server, zone, key:, remove: [], add: [], drop: [])
          message = Dnsruby::Update.new(zone)
          remove.each do |name, type|
            message.authority << Codec::Raw.new(name, type, ttl: 0, klass: "ANY")
          end
          add.each { |record| message.authority << Codec.encode(record) }
          drop.each do |r|
            message.authority << Codec::Raw.new(
              r.name,
              r.type,
              ttl: 0,
              klass: "NONE",
              rdata: r.rdata.to_wire
            )
          end
          message.header.nscount = remove.size + add.size + drop.size
          message.header.id = @random.rand(65_536)
          sign(message, key)
          reply = tcp(server) { |socket| exchange(socket, message, server) }
          code = reply.rcode.string
          unless code == "NOERROR"
            raise Refused.new(code, "#{server} refused the update of #{zone} (#{code})")
          end
        end

        private

        def exchanged(server, request)
          reply = udp(server, request)
          reply.header.tc ? tcp(server) { |socket| exchange(socket, request, server) } : reply
        end

        def question(name, type)
          number = Core::Records::Rdata.number_of(type == "AXFR" ? "TYPE252" : type)
          Dnsruby::Message
            .new(name.to_s, Dnsruby::Types.new(number))
            .tap do |m|
              m.header.id = @random.rand(65_536)
              m.header.rd = false
            end
        end

        def extended(message, dnssec)
          message.tap { |m| m.add_additional(Dnsruby::RR::OPT.new(UDP_SIZE, dnssec ? 0x8000 : 0)) }
        end

        def sign(message, key)
          key && Codec.signer(key).tap { |signer| signer.apply(message) }
        end

        def records(section) = section.filter_map { |rr| Codec.decode(rr) }

        def udp(server, request)
          host, port = address(server)
          tries = 0
          begin
            tries += 1
            ask_udp(host, port, request)
          rescue Timeout::Error
            retry if tries < 2
            raise Unreachable, "the name server #{server} does not answer"
          rescue SystemCallError, SocketError, IOError => e
            raise Unreachable, "the name server #{server} can't be reached (#{e.message})"
          end
        end

        def ask_udp(host, port, request)
          socket = UDPSocket.new
          socket.connect(host, port)
          socket.send(request.encode, 0)
          Timeout.timeout(@timeout) do
            loop do
              reply = Codec.message(socket.recv(65_535))
              return reply if reply.header.id == request.header.id && reply.header.qr
            end
          end
        ensure
          socket&.close
        end

        def tcp(server)
          host, port = address(server)
          socket = nil
          Deadline
            .new(@timeout * 5)
            .hold do
              socket = Socket.tcp(host, port, connect_timeout: @timeout)
              yield socket
            end
        rescue Deadline::Passed
          raise Unreachable, "the name server #{server} does not answer"
        rescue SystemCallError, IOError, SocketError => e
          raise Unreachable, "the name server #{server} can't be reached (#{e.message})"
        ensure
          socket&.close
        end

        def exchange(socket, request, server)
          Tcp.write(socket, request.encode)
          octets = Tcp.read(socket) or
            raise Unreachable, "the name server #{server} closed the connection"
          reply = Codec.message(octets)
          return reply if reply.header.id == request.header.id

          raise Malformed,
                "the name server #{server} answers another question (its identifier is not ours)"
        end

        def address(server)
          text = @servers[server.to_s.chomp(".").downcase]
          return server.to_s.chomp("."), 53 unless text

          host, _, port = text.rpartition(":")
          [host, Integer(port)]
        end
      end
    end
  end
end
