# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # One record's data: its type and typed field values. Unknown types hold their octets (RFC 3597).
      class Rdata
        # One row a type: mnemonic, number, kinds of its fields in wire order, and its source.
        # A new record type is a new row here.
        TABLE = [
          ["A",      1,   %i[ipv4],                       "RFC 1035 §3.4.1"],
          ["NS",     2,   %i[name],                       "RFC 1035 §3.3.11"],
          ["CNAME",  5,   %i[name],                       "RFC 1035 §3.3.1"],
          ["SOA",    6,   %i[name name u32 time time time time], "RFC 1035 §3.3.13"],
          ["PTR",    12,  %i[name],                       "RFC 1035 §3.3.12"],
          ["HINFO",  13,  %i[string string],              "RFC 1035 §3.3.2"],
          ["MX",     15,  %i[u16 name],                   "RFC 1035 §3.3.9"],
          ["TXT",    16,  %i[strings],                    "RFC 1035 §3.3.14"],
          ["RP",     17,  %i[name name],                  "RFC 1183 §2.2"],
          ["AAAA",   28,  %i[ipv6],                       "RFC 3596 §2.2"],
          ["SRV",    33,  %i[u16 u16 u16 name],           "RFC 2782"],
          ["NAPTR",  35,  %i[u16 u16 string string string name], "RFC 3403 §4.1"],
          ["DNAME",  39,  %i[name],                       "RFC 6672 §2.1"],
          ["DS",     43,  %i[u16 u8 u8 hex],              "RFC 4034 §5.1"],
          ["SSHFP",  44,  %i[u8 u8 hex],                  "RFC 4255 §3.1"],
          ["RRSIG",  46,  %i[rrtype u8 u8 u32 stamp stamp u16 name base64], "RFC 4034 §3.1"],
          ["NSEC",   47,  %i[name bitmap],                "RFC 4034 §4.1"],
          ["DNSKEY", 48,  %i[u16 u8 u8 base64],           "RFC 4034 §2.1"],
          ["TLSA",   52,  %i[u8 u8 u8 hex],               "RFC 6698 §2.1"],
          ["SVCB",   64,  %i[u16 name svc_params],        "RFC 9460 §2"],
          ["HTTPS",  65,  %i[u16 name svc_params],        "RFC 9460 §9"],
          ["SPF",    99,  %i[strings],                    "RFC 7208 §3.1"],
          ["CAA",    257, %i[u8 tag value],               "RFC 8659 §4.1"]
        ].freeze
        # What a signer makes of a zone: it belongs to the host's keys and is not carried.
        SIGNING = %w[RRSIG NSEC NSEC3 NSEC3PARAM TYPE50 TYPE51 DNSKEY].freeze
        KINDS = TABLE.to_h { |type, _, kinds, _| [type, kinds.map { |k| Fields::ALL.fetch(k) }] }.freeze
        NUMBERS = TABLE.to_h { |type, number, _, _| [type, number] }.freeze
        TYPES = NUMBERS.invert.freeze

        attr_reader :type, :values

        def initialize(type, values)
          @type = type
          @values = values.freeze
          freeze
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

        # Reads rdata from zone file tokens; origin completes relative names. Also the generic form \# (RFC 3597 §5).
        def self.parse(type, tokens, origin: nil)
          tokens = tokens.dup
          return from_wire(type, generic(tokens)) if tokens.first&.text == "\\#"

          kinds = KINDS[type] or raise ArgumentError,
            "#{type} data must be in the form “\\# length hexadecimal” (RFC 3597)"
          values = kinds.map { |kind| kind.parse.(tokens, origin) }
          raise ArgumentError, "“#{tokens.first.text}” stands after the #{type} data" unless tokens.empty?

          new(type, values)
        end

        def self.generic(tokens)
          tokens.shift
          size = Fields.whole(Fields.take(tokens, "the length"), 65_535)
          bytes = size.zero? ? "".b : Fields.unhex(tokens.map(&:text).join)
          unless bytes.bytesize == size
            raise ArgumentError,
              "the length says #{size} octets, the data has #{bytes.bytesize}"
          end

          bytes
        end
        private_class_method :generic

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
          unless KINDS.key?(type)
            return ["\\#", values.first.bytesize,
              values.first.unpack1("H*").upcase].join(" ").rstrip
          end

          KINDS[type].zip(values).map { |kind, value| kind.text.(value) }.reject(&:empty?).join(" ")
        end

        # Uncompressed octets; canonical: names in lower case, as records are compared (RFC 4034 §6.2).
        def to_wire(canonical: false)
          return values.first unless KINDS.key?(type)

          KINDS[type].zip(values).map { |kind, value| kind.wire.(value, canonical).b }.join
        end

        # What the data says, for comparing by meaning: TXT strings joined, names without case.
        def meaning = %w[TXT SPF].include?(type) ? values.first.join : to_wire(canonical: true)

        # Equal are those whose canonical wire form is (RFC 4034 §6.2).
        def eql?(other)
          other.is_a?(Rdata) && type == other.type && to_wire(canonical: true) == other.to_wire(canonical: true)
        end
        alias == eql?
        def hash = [type, to_wire(canonical: true)].hash
      end
    end
  end
end
