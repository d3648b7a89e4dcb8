# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Kinds of fields that few record types have.
      module RareFields
        Kind = Fields::Kind
        HEX32 = "0123456789abcdefghijklmnopqrstuv"

        module_function

        # Octets behind a length octet, in hexadecimal; “-” for none (RFC 5155 §3.3, §4.3).
        def salt(text)
          return "".b if text == "-"

          Fields
            .unhex(text)
            .tap { |o| raise ArgumentError, "a salt has at most 255 octets" if o.bytesize > 255 }
        end

        # base32hex without padding (RFC 4648 §7).
        def unbase32(text)
          unless text.match?(/\A[0-9a-v]+\z/i)
            raise ArgumentError, "“#{text[0, 20]}” is not base32hex"
          end

          bits = text.downcase.each_char.map { |c| format("%05b", HEX32.index(c)) }.join
          [bits[0, bits.size / 8 * 8]].pack("B*")
        end

        # octets → base32hex.
        def base32(octets)
          octets.unpack1("B*").scan(/.{1,5}/).map { |b| HEX32[b.ljust(5, "0").to_i(2)] }.join.upcase
        end

        # Pairs of hexadecimal digits with dashes between (RFC 7043 §3.2, §4.2).
        def eui(text, size)
          unless text.match?(/\A\h\h(?:-\h\h){#{size - 1}}\z/)
            raise ArgumentError,
                  "“#{text}” is not #{size} pairs of hexadecimal digits with dashes between"
          end

          [text.delete("-")].pack("H*")
        end

        # Four groups of hexadecimal digits with colons between (RFC 6742 §2.1.2, §2.3.2).
        def locator(text)
          groups = text.split(":", -1)
          unless groups.size == 4 && groups.all? { |g| g.match?(/\A\h{1,4}\z/) }
            raise ArgumentError, "“#{text}” is not four groups of hexadecimal digits"
          end

          groups.map { |g| g.to_i(16) }.pack("n4")
        end

        # “0x” and hexadecimal digits, which dots may part (RFC 1706 §7).
        def nsap(text)
          raise ArgumentError, "“#{text}” does not begin with 0x" unless text.match?(/\A0x/i)

          Fields
            .unhex(text[2..].delete("."))
            .tap { |o| raise ArgumentError, "the address is empty" if o.empty? }
        end

        # Ports by name, as RFC 1010 and IANA have them; the usual ones.
        SERVICES = {
          "ftp-data" => 20,
          "ftp" => 21,
          "ssh" => 22,
          "telnet" => 23,
          "smtp" => 25,
          "time" => 37,
          "whois" => 43,
          "domain" => 53,
          "tftp" => 69,
          "gopher" => 70,
          "finger" => 79,
          "http" => 80,
          "www" => 80,
          "kerberos" => 88,
          "pop3" => 110,
          "sunrpc" => 111,
          "nntp" => 119,
          "ntp" => 123,
          "imap2" => 143,
          "imap" => 143,
          "snmp" => 161,
          "irc" => 194,
          "ldap" => 389,
          "https" => 443
        }.freeze
        PROTOCOLS = { "icmp" => 1, "tcp" => 6, "udp" => 17 }.freeze

        # Address, protocol, ports as bits (RFC 1035 §3.4.2).
        def wks(tokens)
          address = Fields.address(take(tokens, "an address"), 4)
          word = take(tokens, "a protocol")
          protocol = PROTOCOLS[word.downcase] || Fields.whole(word, 255)
          ports =
            tokens
              .shift(tokens.size)
              .map { |t| SERVICES[t.text.downcase] || Fields.whole(t.text, 65_535) }
          address + [protocol].pack("C") + bits(ports)
        end

        # octets → text.
        def wks_text(octets)
          [
            IPAddr.new_ntoh(octets.byteslice(0, 4)),
            octets.getbyte(4),
            *set_bits(octets.byteslice(5..))
          ].join(" ")
        end

        # Numbers → octets with these bits set, the first bit first.
        def bits(numbers)
          return "".b if numbers.empty?

          map = "0" * (((numbers.max / 8) + 1) * 8)
          numbers.each { |n| map[n] = "1" }
          [map].pack("B*")
        end

        # Octets of a bitmap → numbers of the bits that are set, the first bit being 0.
        def set_bits(octets)
          octets.unpack1("B*").each_char.with_index.filter_map { |bit, i| i if bit == "1" }
        end

        # The types below 128, as bits (RFC 2535 §5.2).
        def old_bitmap(tokens)
          numbers = tokens.shift(tokens.size).map { |t| Rdata.number_of(Fields.rrtype(t.text)) }
          if numbers.all? { |n| n.between?(1, 127) }
            bits(numbers)
          else
            raise(ArgumentError, "only types from 1 to 127 fit")
          end
        end

        # “+” and digits, or hexadecimal digits, which dots may part.
        def atma(text)
          return "\x01".b + text[1..].delete(".") if text.match?(/\A\+[\d.]+\z/)

          "\x00".b + Fields.unhex(text.delete("."))
        end

        # octets → text.
        def atma_text(octets)
          octets.getbyte(0) == 1 ? "+#{octets.byteslice(1..)}" : octets.byteslice(1..).unpack1("H*")
        end

        # Prefix length, the rest of the address, the name of the prefix (RFC 2874 §3.1).
        def address6(tokens, origin)
          prefix = Fields.whole(take(tokens, "a prefix length"), 128)
          suffix =
            (
              if prefix == 128
                "".b
              else
                Fields.address(take(tokens, "an address"), 6).byteslice((prefix / 8)..)
              end
            )
          name = prefix.zero? ? "".b : Fields.name(tokens, origin).to_wire
          [prefix].pack("C") + suffix + name
        end

        # octets → text.
        def address6_text(octets)
          prefix = octets.getbyte(0)
          size = 16 - (prefix / 8)
          address = IPAddr.new_ntoh(octets.byteslice(1, size).rjust(16, "\0")).to_s if prefix < 128
          name =
            Name.from_wire(ByteReader.new(octets.byteslice((1 + size)..))).to_s unless prefix.zero?
          [prefix, address, name].compact.join(" ")
        end

        # Flags of a key as a number or as words with bars between (RFC 2535 §7.1).
        FLAGS = {
          "NOCONF" => 0x4000,
          "NOAUTH" => 0x8000,
          "NOKEY" => 0xc000,
          "FLAG2" => 0x2000,
          "EXTEND" => 0x1000,
          "FLAG4" => 0x0800,
          "FLAG5" => 0x0400,
          "USER" => 0,
          "ZONE" => 0x0100,
          "HOST" => 0x0200,
          "NTYP3" => 0x0300,
          "KSK" => 1,
          "REVOKE" => 0x80
        }.freeze

        # Words or a number → the number; raises ArgumentError.
        def flags(text)
          return Fields.whole(text, 65_535) if text.match?(/\A\d/)

          text
            .upcase
            .split("|", -1)
            .sum { |w| FLAGS[w] || raise(ArgumentError, "“#{w}” is no flag of a key") }
        end

        # A kind of field that is kept as octets and takes all that is left.
        def kind(text: nil, unwire: lambda(&:rest), wire: ->(v, _c) { v }, &parse)
          Kind.new(parse, text, wire, unwire)
        end

        def take(tokens, what = "a value") = Fields.take(tokens, what)

        LONG = kind(text: Escape.method(:quoted).to_proc) { |t, _| Escape.undo(take(t, "a text")) }
        UPPER = ->(v) { v.unpack1("H*").upcase }

        ALL = {
          algorithm: Mnemonics.kind(Mnemonics::ALGORITHMS, 8, "C"),
          digest: Mnemonics.kind(Mnemonics::DIGESTS, 8, "C"),
          wks: kind(text: method(:wks_text).to_proc) { |t, _| wks(t) },
          old_bitmap:
            kind(text: ->(v) { set_bits(v).map { |n| Rdata.type_of(n) }.join(" ") }) do |t, _|
              old_bitmap(t)
            end,
          atma: kind(text: method(:atma_text).to_proc) { |t, _| atma(take(t)) },
          a6: kind(text: method(:address6_text).to_proc) { |t, o| address6(t, o) },
          flags:
            Kind.new(
              ->(t, _o) { flags(take(t, "flags")) },
              :to_s.to_proc,
              ->(v, _c) { [v].pack("n") },
              :u16.to_proc
            ),
          protocol: Mnemonics.kind(Mnemonics::PROTOCOLS, 8, "C"),
          maybe_base64:
            kind(text: ->(v) { [v].pack("m0") }) do |t, _|
              t.empty? ? "".b : Fields.unbase64(Fields.joined(t, "a key"))
            end,
          certified: Mnemonics.worded(Mnemonics::ALGORITHMS, 8, "C"),
          certificate: Mnemonics.worded(Mnemonics::CERTIFICATES, 16, "n"),
          long: LONG,
          salt:
            kind(
              text: ->(v) { v.empty? ? "-" : UPPER.(v) },
              wire: ->(v, _c) { Fields.counted(v) },
              unwire: ->(r) { r.take(r.u8) }
            ) { |t, _| salt(take(t, "a salt")) },
          hash:
            kind(
              text: method(:base32).to_proc,
              wire: ->(v, _c) { Fields.counted(v) },
              unwire: ->(r) { r.take(r.u8) }
            ) { |t, _| unbase32(take(t, "a hash")) },
          eui48:
            kind(
              text: ->(v) { v.unpack("H2" * 6).join("-") },
              unwire: ->(r) { r.take(6) }
            ) { |t, _| eui(take(t), 6) },
          eui64:
            kind(
              text: ->(v) { v.unpack("H2" * 8).join("-") },
              unwire: ->(r) { r.take(8) }
            ) { |t, _| eui(take(t), 8) },
          locator:
            kind(
              text: ->(v) { v.unpack("n4").map { |n| n.to_s(16) }.join(":") },
              unwire: ->(r) { r.take(8) }
            ) { |t, _| locator(take(t)) },
          nsap: kind(text: ->(v) { "0x#{UPPER.(v)}" }) { |t, _| nsap(take(t)) },
          maybe_string:
            Kind.new(
              ->(t, _o) { t.empty? ? nil : Fields.string(t.shift) },
              ->(v) { v.nil? ? "" : Escape.quoted(v) },
              ->(v, _c) { v.nil? ? "" : Fields.counted(v) },
              ->(r) { r.end? ? nil : r.take(r.u8) }
            ),
          location: kind(text: Location.method(:text).to_proc) { |t, _| Location.parse(t) },
          apl: kind(text: Gateways.method(:apl_text).to_proc) { |t, _| Gateways.apl(t) },
          hip: kind(text: Gateways.method(:hip_text).to_proc) { |t, o| Gateways.hip(t, o) },
          ipseckey:
            kind(text: Gateways.method(:ipseckey_text).to_proc) { |t, o| Gateways.ipseckey(t, o) },
          amtrelay:
            kind(text: Gateways.method(:amtrelay_text).to_proc) { |t, o| Gateways.amtrelay(t, o) }
        }.freeze
      end
    end
  end
end
