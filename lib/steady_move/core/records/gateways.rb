# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Data whose form hangs on one of its own numbers: IPSECKEY, AMTRELAY, HIP, APL. Read and kept
      # as octets.
      module Gateways
        module_function

        # IPSECKEY (RFC 4025 §2, §3.1): precedence, gateway type, algorithm, gateway, [key].
        def ipseckey(tokens, origin)
          precedence, type, algorithm =
            Array.new(3) { Fields.whole(Fields.take(tokens, "a number"), 255) }
          gateway = gateway(type, Fields.take(tokens, "a gateway"), origin)
          key = Fields.unbase64(Fields.joined(tokens, "a key"))
          [precedence, type, algorithm].pack("CCC") + gateway + key
        end

        # octets → text.
        def ipseckey_text(octets)
          precedence, type, algorithm = octets.unpack("CCC")
          gateway, rest = gateway_text(type, octets.byteslice(3..))
          [precedence, type, algorithm, gateway, *([rest].pack("m0") unless rest.empty?)].join(" ")
        end

        # AMTRELAY (RFC 8777 §4): precedence, discovery bit, relay type, relay.
        def amtrelay(tokens, origin)
          precedence = Fields.whole(Fields.take(tokens, "a precedence"), 255)
          discovery = Fields.whole(Fields.take(tokens, "0 or 1"), 1)
          type = Fields.whole(Fields.take(tokens, "a relay type"), 127)
          [precedence, (discovery << 7) | type].pack("CC") +
            gateway(type, tokens.shift&.text || ".", origin)
        end

        # octets → text.
        def amtrelay_text(octets)
          precedence, byte = octets.unpack("CC")
          gateway, = gateway_text(byte & 127, octets.byteslice(2..))
          [precedence, byte >> 7, byte & 127, gateway].join(" ")
        end

        # 0 none, 1 IPv4, 2 IPv6, 3 a name.
        def gateway(type, text, origin)
          case type
          when 0
            text == "." ? "".b : raise(ArgumentError, "“.” is expected where there is no gateway")
          when 1
            Fields.address(text, 4)
          when 2
            Fields.address(text, 6)
          when 3
            Name.parse(text, origin: origin).to_wire
          else
            raise ArgumentError, "gateway type #{type} is not known"
          end
        end

        def gateway_text(type, octets)
          case type
          when 1
            [IPAddr.new_ntoh(octets.byteslice(0, 4)).to_s, octets.byteslice(4..)]
          when 2
            [IPAddr.new_ntoh(octets.byteslice(0, 16)).to_s, octets.byteslice(16..)]
          when 3
            name = Name.from_wire(ByteReader.new(octets))
            [name.to_s, octets.byteslice(name.to_wire.bytesize..)]
          else
            [".", octets]
          end
        end

        # HIP (RFC 8005 §5, §6): algorithm, tag in hexadecimal, key, servers.
        def hip(tokens, origin)
          algorithm = Fields.whole(Fields.take(tokens, "an algorithm"), 255)
          tag = Fields.unhex(Fields.take(tokens, "the host identity tag"))
          key = Fields.unbase64(Fields.take(tokens, "a key"))
          unless tag.bytesize.between?(1, 255) && key.bytesize.between?(1, 65_535)
            raise ArgumentError, "the tag or the key is empty or too long"
          end

          servers = tokens.shift(tokens.size).map { |t| Name.parse(t.text, origin: origin).to_wire }
          [tag.bytesize, algorithm, key.bytesize].pack("CCn") + tag + key + servers.join
        end

        # octets → text.
        def hip_text(octets)
          reader = ByteReader.new(octets)
          size = reader.u8
          algorithm = reader.u8
          length = reader.u16
          parts = [
            algorithm,
            reader.take(size).unpack1("H*").upcase,
            [reader.take(length)].pack("m0")
          ]
          parts << Name.from_wire(reader).to_s until reader.end?
          parts.join(" ")
        end

        # APL (RFC 3123 §4, §5): items such as !1:192.0.2.0/24.
        def apl(tokens)
          tokens.shift(tokens.size).map { |t| apl_item(t.text) }.join.b
        end

        def apl_item(text)
          no, family, address, prefix =
            text.match(%r{\A(!?)([12]):([0-9a-f.:]+)/(\d{1,3})\z}i)&.captures
          unless family
            raise ArgumentError, "“#{text}” is not an address prefix such as 1:192.0.2.0/24"
          end

          octets = Fields.address(address, family == "1" ? 4 : 6)
          prefix = Fields.whole(prefix, octets.bytesize * 8)
          part = octets.sub(/\0+\z/n, "")
          [family.to_i, prefix, (no.empty? ? 0 : 128) | part.bytesize].pack("nCC") + part
        end

        # octets → text.
        def apl_text(octets)
          reader = ByteReader.new(octets)
          out = []
          until reader.end?
            family = reader.u16
            prefix = reader.u8
            head = reader.u8
            address = reader.take(head & 127).ljust(family == 1 ? 4 : 16, "\0")
            out << "#{"!" if head > 127}#{family}:#{IPAddr.new_ntoh(address)}/#{prefix}"
          end
          out.join(" ")
        end
        private_class_method :gateway, :gateway_text, :apl_item
      end
    end
  end
end
