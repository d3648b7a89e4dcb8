# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # One record's data: its type and typed field values. Unknown types hold their octets (RFC
      # 3597).
      class Rdata
        # One row a type: mnemonic, number, kinds of its fields in wire order, and its source.
        # A new record type is a new row here.
        TABLE = [
          ["A", 1, %i[ipv4], "RFC 1035 §3.4.1"],
          ["NS", 2, %i[name], "RFC 1035 §3.3.11"],
          ["CNAME", 5, %i[name], "RFC 1035 §3.3.1"],
          ["SOA", 6, %i[name name u32 time time time time], "RFC 1035 §3.3.13"],
          ["WKS", 11, %i[wks], "RFC 1035 §3.4.2"],
          ["PTR", 12, %i[name], "RFC 1035 §3.3.12"],
          ["HINFO", 13, %i[string string], "RFC 1035 §3.3.2"],
          ["MX", 15, %i[u16 name], "RFC 1035 §3.3.9"],
          ["TXT", 16, %i[strings], "RFC 1035 §3.3.14"],
          ["MB", 7, %i[name], "RFC 1035 §3.3.3"],
          ["MG", 8, %i[name], "RFC 1035 §3.3.6"],
          ["MR", 9, %i[name], "RFC 1035 §3.3.8"],
          ["MINFO", 14, %i[name name], "RFC 1035 §3.3.7"],
          ["RP", 17, %i[name name], "RFC 1183 §2.2"],
          ["AFSDB", 18, %i[u16 name], "RFC 1183 §1"],
          ["X25", 19, %i[string], "RFC 1183 §3.1"],
          ["ISDN", 20, %i[string maybe_string], "RFC 1183 §3.2"],
          ["RT", 21, %i[u16 name], "RFC 1183 §3.3"],
          ["NSAP", 22, %i[nsap], "RFC 1706 §5"],
          ["NSAP-PTR", 23, %i[name], "RFC 1348 §2"],
          ["KEY", 25, %i[flags protocol algorithm maybe_base64], "RFC 2535 §3.1"],
          ["SIG", 24, %i[rrtype algorithm u8 u32 stamp stamp u16 name base64], "RFC 2535 §4.1"],
          ["PX", 26, %i[u16 name name], "RFC 2163 §4"],
          ["GPOS", 27, %i[string string string], "RFC 1712 §3"],
          ["LOC", 29, %i[location], "RFC 1876 §2"],
          ["NXT", 30, %i[name old_bitmap], "RFC 2535 §5.2"],
          ["EID", 31, %i[hex], "IANA, from memory"],
          ["NIMLOC", 32, %i[hex], "IANA, from memory"],
          ["ATMA", 34, %i[atma], "ATM Forum, from memory"],
          ["KX", 36, %i[u16 name], "RFC 2230 §3"],
          ["CERT", 37, %i[certificate u16 certified base64], "RFC 4398 §2"],
          ["SINK", 40, %i[u8 u8 u8 base64], "IANA, from memory"],
          ["APL", 42, %i[apl], "RFC 3123 §4"],
          ["IPSECKEY", 45, %i[ipseckey], "RFC 4025 §2"],
          ["DHCID", 49, %i[base64], "RFC 4701 §3.1"],
          ["NSEC3", 50, %i[u8 u8 u16 salt hash bitmap], "RFC 5155 §3.2"],
          ["NSEC3PARAM", 51, %i[u8 u8 u16 salt], "RFC 5155 §4.2"],
          ["SMIMEA", 53, %i[u8 u8 u8 hex], "RFC 8162 §2"],
          ["HIP", 55, %i[hip], "RFC 8005 §5"],
          ["NINFO", 56, %i[strings], "IANA, from memory"],
          ["RKEY", 57, %i[flags protocol algorithm base64], "IANA, from memory"],
          ["TALINK", 58, %i[name name], "IANA, from memory"],
          ["CDS", 59, %i[u16 algorithm digest hex], "RFC 7344 §3.1"],
          ["CDNSKEY", 60, %i[flags protocol algorithm base64], "RFC 7344 §3.2"],
          ["OPENPGPKEY", 61, %i[base64], "RFC 7929 §2.1"],
          ["CSYNC", 62, %i[u32 u16 bitmap], "RFC 7477 §2.1"],
          ["ZONEMD", 63, %i[u32 u8 u8 hex], "RFC 8976 §2"],
          ["NID", 104, %i[u16 locator], "RFC 6742 §2.1"],
          ["L32", 105, %i[u16 ipv4], "RFC 6742 §2.2"],
          ["L64", 106, %i[u16 locator], "RFC 6742 §2.3"],
          ["LP", 107, %i[u16 name], "RFC 6742 §2.4"],
          ["EUI48", 108, %i[eui48], "RFC 7043 §3"],
          ["EUI64", 109, %i[eui64], "RFC 7043 §4"],
          ["URI", 256, %i[u16 u16 long], "RFC 7553 §4"],
          ["AVC", 258, %i[strings], "IANA, from memory"],
          ["DOA", 259, %i[u32 u32 u8 string base64], "IANA, from memory"],
          ["AMTRELAY", 260, %i[amtrelay], "RFC 8777 §4"],
          ["RESINFO", 261, %i[strings], "RFC 9606 §3"],
          ["WALLET", 262, %i[strings], "IANA, from memory"],
          ["TA", 32_768, %i[u16 algorithm digest hex], "IANA, from memory"],
          ["DLV", 32_769, %i[u16 algorithm digest hex], "RFC 4431 §2"],
          ["AAAA", 28, %i[ipv6], "RFC 3596 §2.2"],
          ["SRV", 33, %i[u16 u16 u16 name], "RFC 2782"],
          ["NAPTR", 35, %i[u16 u16 string string string name], "RFC 3403 §4.1"],
          ["A6", 38, %i[a6], "RFC 2874 §3.1"],
          ["DNAME", 39, %i[name], "RFC 6672 §2.1"],
          ["DS", 43, %i[u16 algorithm digest hex], "RFC 4034 §5.1"],
          ["SSHFP", 44, %i[u8 u8 hex], "RFC 4255 §3.1"],
          ["RRSIG", 46, %i[rrtype algorithm u8 u32 stamp stamp u16 name base64], "RFC 4034 §3.1"],
          ["NSEC", 47, %i[name bitmap], "RFC 4034 §4.1"],
          ["DNSKEY", 48, %i[flags protocol algorithm base64], "RFC 4034 §2.1"],
          ["TLSA", 52, %i[u8 u8 u8 hex], "RFC 6698 §2.1"],
          ["SVCB", 64, %i[u16 name svc_params], "RFC 9460 §2"],
          ["HTTPS", 65, %i[u16 name svc_params], "RFC 9460 §9"],
          ["SPF", 99, %i[strings], "RFC 7208 §3.1"],
          ["CAA", 257, %i[u8 tag value], "RFC 8659 §4.1"]
        ].freeze
        # What belongs to the old host's keys and is not carried (rules of the job §6).
        SIGNING = %w[RRSIG NSEC NSEC3 NSEC3PARAM DNSKEY CDS CDNSKEY CSYNC ZONEMD].freeze
        # RFC 4034 §6.2, RFC 6840 §5.1.
        LOWERED = %w[
          NS
          CNAME
          SOA
          MB
          MG
          MR
          PTR
          MINFO
          MX
          RP
          AFSDB
          RT
          SIG
          PX
          NXT
          NAPTR
          KX
          SRV
          DNAME
          A6
          RRSIG
        ].freeze
        KINDS =
          TABLE
            .to_h do |type, _, kinds, _|
              [type, kinds.map { |k| Fields::ALL[k] || RareFields::ALL.fetch(k) }]
            end
            .freeze
        # NULL has no form of its own but its octets (RFC 1035 §3.3.10).
        NUMBERS = TABLE.to_h { |type, number, _, _| [type, number] }.merge("NULL" => 10).freeze
        # How many octets a digest has, by the number of its kind (RFC 4034 §5.1.3, RFC 4509, RFC
        # 6605; RFC 4255 §3.1.2, RFC 6594; RFC 8976 §2.2.3): [place of that number, place of the
        # digest, sizes].
        DIGESTS = {
          "DS" => [2, 3, { 1 => 20, 2 => 32, 3 => 32, 4 => 48 }],
          "CDS" => [2, 3, { 1 => 20, 2 => 32, 3 => 32, 4 => 48 }],
          "TA" => [2, 3, { 1 => 20, 2 => 32, 3 => 32, 4 => 48 }],
          "DLV" => [2, 3, { 1 => 20, 2 => 32, 3 => 32, 4 => 48 }],
          "SSHFP" => [1, 2, { 1 => 20, 2 => 32 }],
          "ZONEMD" => [2, 3, { 1 => 48, 2 => 64 }]
        }.freeze
        TYPES = NUMBERS.invert.freeze

        attr_reader :type

        def initialize(type, values, text = nil, origin = nil)
          @type = type
          @values = values.freeze
          @text = text
          @origin = origin
        end

        # Data that is known to be right and that is read when it is asked for. text: as in a zone
        # file, without escapes; origin: Name.
        def self.unread(type, text, origin) = new(type, nil, text, origin)

        # Its fields, as TABLE has them.
        def values
          @values ||=
            ZoneLexer
              .tokens(@text)
              .then { |tokens| Rdata.parse(type, tokens, origin: @origin).values }
        end

        # The type's mnemonic in upper case, or nil where text names no type.
        #   Records::Rdata.type_named("mx") # => "MX"
        #   Records::Rdata.type_named("TYPE28") # => "AAAA"
        #   Records::Rdata.type_named("nonsense") # => nil
        def self.type_named(text)
          up = text.upcase
          return up if NUMBERS.key?(up)

          number = up[/\ATYPE(\d{1,5})\z/, 1]&.to_i
          type_of(number) if number && number <= 65_535
        end

        def self.type_of(number) = TYPES[number] || "TYPE#{number}"
        def self.number_of(type) = NUMBERS[type] || type.delete_prefix("TYPE").to_i

        # Reads rdata from zone file tokens; origin completes relative names. Also the generic form
        # \# (RFC 3597 §5).
        def self.parse(type, tokens, origin: nil)
          return from_wire(type, generic(tokens)) if tokens.first&.text == "\\#"

          kinds = KINDS[type] or
            raise ArgumentError,
                  "#{type} data must be in the form “\\# length hexadecimal” (RFC 3597)"
          values = kinds.map { |kind| kind.parse.(tokens, origin) }
          unless tokens.empty?
            raise ArgumentError, "“#{tokens.first.text}” stands after the #{type} data"
          end

          check_digest(type, values)
          new(type, values)
        end

        def self.check_digest(type, values)
          kind, digest, sizes = DIGESTS[type]
          expected = sizes && sizes[values[kind]] or return
          return if values[digest].bytesize == expected

          raise ArgumentError,
                "a digest of kind #{values[kind]} has #{expected} octets, not " \
                  "#{values[digest].bytesize}"
        end

        def self.generic(tokens)
          tokens.shift
          size = Fields.whole(Fields.take(tokens, "the length"), 65_535)
          bytes = size.zero? ? "".b : Fields.unhex(tokens.shift(tokens.size).map(&:text).join)
          unless bytes.bytesize == size
            raise ArgumentError, "the length says #{size} octets, the data has #{bytes.bytesize}"
          end

          bytes
        end
        private_class_method :generic, :check_digest

        # Reads uncompressed rdata octets.
        def self.from_wire(type, bytes)
          kinds = KINDS[type] or return new(type, [bytes.b])
          reader = ByteReader.new(bytes)
          values = kinds.map { |kind| kind.unwire.(reader) }
          raise ArgumentError, "octets are left over after the #{type} data" unless reader.end?

          new(type, values)
        end

        # Presentation form with absolute names.
        def to_s
          return text if type == "A" && text

          unless KINDS.key?(type)
            return(
              ["\\#", values.first.bytesize, values.first.unpack1("H*").upcase].join(" ").rstrip
            )
          end

          KINDS[type].zip(values).map { |kind, value| kind.text.(value) }.reject(&:empty?).join(" ")
        end

        # Uncompressed octets; canonical: names in lower case, as records are compared (RFC 4034
        # §6.2).
        def to_wire(canonical: false)
          return values.first unless KINDS.key?(type)

          KINDS[type].zip(values).map { |kind, value| kind.wire.(value, canonical).b }.join
        end

        # The octets by which records of a set are ordered and signed: names in lower case in the
        # types that RFC 4034 §6.2 lists, without NSEC (RFC 6840 §5.1), and in no later ones (RFC
        # 3597 §7).
        def canonical_wire = to_wire(canonical: LOWERED.include?(type))

        # The same as text.
        def canonical = LOWERED.include?(type) ? Rdata.from_wire(type, canonical_wire).to_s : to_s

        # What the data says, for comparing by meaning: TXT strings joined, names without case.
        def meaning = %w[TXT SPF].include?(type) ? values.first.join : to_wire(canonical: true)

        # Equal are those whose canonical wire form is (RFC 4034 §6.2).
        def eql?(other)
          return false unless other.is_a?(Rdata) && type == other.type

          written_alike?(other) || to_wire(canonical: true) == other.to_wire(canonical: true)
        end
        alias == eql?
        def hash = [type, to_wire(canonical: true)].hash

        # Is it the same text with the same origin, so that nothing has to be read?
        def written_alike?(other)
          type == other.type && !text.nil? && text == other.text && origin == other.origin
        end

        protected

        attr_reader :text, :origin
      end
    end
  end
end
