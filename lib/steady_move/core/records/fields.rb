# frozen_string_literal: true

require "date"
require "ipaddr"

module SteadyMove
  module Core
    module Records
      # How each kind of rdata field is read and written: text ↔ value ↔ wire.
      # A kind answers parse(tokens, origin), text(value), wire(value, canonical), unwire(reader).
      # Tokens are Token structs; a kind takes one or, where it says "rest", all that remain.
      module Fields
        Kind = Struct.new(:parse, :text, :wire, :unwire)

        module_function

        # The next token’s text; raises ArgumentError where none is.
        def take(tokens, what)
          tokens.shift&.text or raise ArgumentError, "#{what} is missing"
        end

        # A kind of field: a whole number of so many bits, packed so.
        def number(bits, pack)
          max = (1 << bits) - 1
          Kind.new(
            ->(t, _o) { whole(take(t, "a number"), max) },
            :to_s.to_proc,
            ->(v, _c) { [v].pack(pack) },
            ->(r) { r.public_send("u#{bits}") }
          )
        end

        # text → Integer from 0 to max; raises ArgumentError.
        def whole(text, max)
          unless text.match?(/\A\d{1,10}\z/) && text.to_i <= max
            raise ArgumentError, "“#{text}” is not a whole number from 0 to #{max}"
          end

          text.to_i
        end

        # An address without scope, brackets, prefix or port.
        PLAIN_ADDRESS = { 4 => /\A\d{1,3}(?:\.\d{1,3}){3}\z/, 6 => /\A[0-9a-f:.]+\z/i }.freeze

        # text → octets of an IPv4 (4) or IPv6 (6) address; raises ArgumentError.
        def address(text, family)
          raise ArgumentError unless text.match?(PLAIN_ADDRESS.fetch(family))

          ip = IPAddr.new(text)
          raise ArgumentError unless family == 4 ? ip.ipv4? : ip.ipv6?

          ip.hton
        rescue ArgumentError
          raise ArgumentError, "“#{text}” is not an IPv#{family} address"
        end

        # All tokens that are left as character strings (RFC 1035 §3.3).
        def strings(tokens)
          raise ArgumentError, "at least one text is expected" if tokens.empty?

          tokens.shift(tokens.size).map { |t| string(t) }
        end

        # One character string: at most 255 octets, escapes undone.
        def string(token)
          raise ArgumentError, "a text is missing" unless token

          bytes = Escape.undo(token.text)
          if bytes.bytesize > 255
            raise ArgumentError,
                  "one text has #{bytes.bytesize} octets; at most 255 fit, split it in several"
          end

          bytes
        end

        # Letters and digits (RFC 8659 §4.1).
        def tag(text)
          if text.match?(/\A[a-z0-9]{1,255}\z/i)
            text.b
          else
            raise(ArgumentError, "a tag has letters and digits alone")
          end
        end

        # All tokens that are left, run together, as hexadecimal and base64 fields may be split.
        def joined(tokens, what)
          raise ArgumentError, "#{what} is missing" if tokens.empty?

          tokens.shift(tokens.size).map(&:text).join
        end

        # A type by its name or as TYPEn (RFC 3597 §5).
        def rrtype(text)
          Rdata.type_named(text) or raise ArgumentError, "“#{text}” is not a record type"
        end

        # An instant as 14 digits or as seconds (RFC 4034 §3.2).
        def stamp(text)
          return instant(text) if text.match?(/\A\d{14}\z/)

          whole(text, 0xffffffff)
        rescue ArgumentError
          raise ArgumentError, "“#{text}” is not an instant such as 20270301080000"
        end

        # 14 digits → seconds; raises ArgumentError for what no calendar has.
        def instant(text)
          parts = text.unpack("a4a2a2a2a2a2").map(&:to_i)
          unless Date.valid_date?(*parts.first(3)) && parts[3] < 24 && parts[4] < 60 &&
                   parts[5] < 61
            raise ArgumentError
          end

          Time.utc(*parts).to_i
        end

        # Hexadecimal digits → octets; raises ArgumentError.
        def unhex(text)
          unless text.match?(/\A(\h\h)*\z/)
            raise ArgumentError, "“#{text[0, 20]}” is not an even run of hexadecimal digits"
          end

          [text].pack("H*")
        end

        # Base64 → octets; raises ArgumentError.
        def unbase64(text)
          text.unpack1("m0")
        rescue ArgumentError
          raise ArgumentError, "“#{text[0, 20]}…” is not base64"
        end

        # Character strings until the data end.
        def unwire_strings(reader)
          out = []
          out << reader.take(reader.u8) until reader.end?
          out
        end

        def counted(bytes) = [bytes.bytesize].pack("C") << bytes

        # A name, which stands in no quotes.
        def name(tokens, origin)
          raise ArgumentError, "a name stands in quotes" if tokens.first&.quoted

          Name.parse(take(tokens, "a name"), origin: origin)
        end

        NAME =
          Kind.new(
            ->(t, o) { name(t, o) },
            :to_s.to_proc,
            ->(v, c) { v.to_wire(canonical: c) },
            ->(r) { Name.from_wire(r) }
          )
        STRINGS =
          Kind.new(
            ->(t, _o) { strings(t) },
            ->(v) { v.map { |s| Escape.quoted(s) }.join(" ") },
            ->(v, _c) { v.map { |s| counted(s) }.join },
            ->(r) { unwire_strings(r) }
          )
        STRING =
          Kind.new(
            ->(t, _o) { string(t.shift) },
            Escape.method(:quoted).to_proc,
            ->(v, _c) { counted(v) },
            ->(r) { r.take(r.u8) }
          )
        # CAA's value runs to the end without a length octet (RFC 8659 §4.1).
        VALUE =
          Kind.new(
            ->(t, _o) { Escape.undo(take(t, "a value")) },
            Escape.method(:quoted).to_proc,
            ->(v, _c) { v },
            lambda(&:rest)
          )
        TAG =
          Kind.new(
            ->(t, _o) { tag(take(t, "a tag")) },
            :to_s.to_proc,
            ->(v, c) { counted(c ? v.downcase : v) },
            ->(r) { r.take(r.u8) }
          )
        HEX =
          Kind.new(
            ->(t, _o) { unhex(joined(t, "hexadecimal data")) },
            ->(v) { v.unpack1("H*").upcase },
            ->(v, _c) { v },
            lambda(&:rest)
          )
        BASE64 =
          Kind.new(
            ->(t, _o) { unbase64(joined(t, "base64 data")) },
            ->(v) { [v].pack("m0") },
            ->(v, _c) { v },
            lambda(&:rest)
          )
        TIME =
          Kind.new(
            ->(t, _o) { Ttl.seconds(take(t, "a time")) },
            :to_s.to_proc,
            ->(v, _c) { [v].pack("N") },
            :u32.to_proc
          )

        # A record type by its mnemonic, as in RRSIG (RFC 4034 §3.1.1).
        RRTYPE =
          Kind.new(
            ->(t, _o) { rrtype(take(t, "a record type")) },
            :to_s.to_proc,
            ->(v, _c) { [Rdata.number_of(v)].pack("n") },
            ->(r) { Rdata.type_of(r.u16) }
          )
        # Seconds since 1970, written as YYYYMMDDHHmmSS or as a number (RFC 4034 §3.2).
        STAMP =
          Kind.new(
            ->(t, _o) { stamp(take(t, "an instant")) },
            ->(v) { Time.at(v).utc.strftime("%Y%m%d%H%M%S") },
            ->(v, _c) { [v].pack("N") },
            :u32.to_proc
          )
        BITMAP =
          Kind.new(
            ->(t, _o) { t.shift(t.size).map { |x| rrtype(x.text) } },
            ->(v) { v.sort_by { |x| Rdata.number_of(x) }.join(" ") },
            ->(v, _c) { TypeBitmap.wire(v) },
            ->(r) { TypeBitmap.unwire(r) }
          )

        ALL = {
          rrtype: RRTYPE,
          stamp: STAMP,
          bitmap: BITMAP,
          u8: number(8, "C"),
          u16: number(16, "n"),
          u32: number(32, "N"),
          time: TIME,
          name: NAME,
          ipv4:
            Kind.new(
              ->(t, _o) { address(take(t, "an address"), 4) },
              ->(v) { IPAddr.new_ntoh(v).to_s },
              ->(v, _c) { v },
              ->(r) { r.take(4) }
            ),
          ipv6:
            Kind.new(
              ->(t, _o) { address(take(t, "an address"), 6) },
              ->(v) { IPAddr.new_ntoh(v).to_s },
              ->(v, _c) { v },
              ->(r) { r.take(16) }
            ),
          string: STRING,
          strings: STRINGS,
          value: VALUE,
          tag: TAG,
          hex: HEX,
          base64: BASE64,
          svc_params:
            Kind.new(
              ->(t, _o) { SvcParams.parse(t.shift(t.size)) },
              SvcParams.method(:text).to_proc,
              ->(v, _c) { SvcParams.wire(v) },
              SvcParams.method(:unwire).to_proc
            )
        }.freeze
      end
    end
  end
end
