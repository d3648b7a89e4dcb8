# frozen_string_literal: true

require "ipaddr"

module SteadyMove
  module Core
    module Records
      # Parameters of SVCB and HTTPS records as {key number => value octets}, in key order (RFC 9460
      # §2.1, §2.2, §7).
      module SvcParams
        KEYS = {
          "mandatory" => 0,
          "alpn" => 1,
          "no-default-alpn" => 2,
          "port" => 3,
          "ipv4hint" => 4,
          "ech" => 5,
          "ipv6hint" => 6,
          "dohpath" => 7
        }.freeze
        # dohpath is written as key7, which older readers know as well.
        NAMES = KEYS.invert.except(7).freeze

        module_function

        # tokens such as alpn=h2,h3 or port="8443"; raises ArgumentError naming the parameter at
        # fault.
        def parse(tokens)
          pairs =
            tokens.map do |token|
              name, sign, value = token.text.partition("=")
              key = number(name)
              [key, encode(key, sign.empty? ? nil : Escape.undo(value), name)]
            end
          twice = pairs.map(&:first).tally.find { |_, n| n > 1 }
          raise ArgumentError, "parameter #{named(twice.first)} stands twice" if twice

          pairs.sort.to_h.tap { |params| whole!(params) }
        end

        # The key’s number by its name or as keyN without leading zeros; 65535 is reserved (RFC 9460
        # §2.1, §14.3.1).
        def number(name)
          number = KEYS[name] || name[/\Akey(0|[1-9]\d{0,4})\z/, 1]&.to_i
          if number && number < 65_535
            number
          else
            raise(ArgumentError, "“#{name}” is not a service parameter")
          end
        end

        def named(key) = NAMES.fetch(key, "key#{key}")

        # What each must have of the others (RFC 9460 §7.1.1, §8).
        def whole!(params)
          raise ArgumentError, "no-default-alpn needs alpn" if params.key?(2) && !params.key?(1)

          lacking = params.fetch(0, "").unpack("n*") - params.keys
          if lacking.any?
            raise ArgumentError,
                  "mandatory names #{named(lacking.first)}, which does not stand here"
          end
        end

        # value: as it stands in a zone file, or nil. Returns its octets (RFC 9460 §7); a key that
        # has a name, written as keyN, has its octets there already.
        def encode(key, value, name)
          given = value.to_s.b
          octets = name.start_with?("key") ? given : octets(key, value, given)
          check(key, octets)
          octets
        rescue ArgumentError => e
          raise ArgumentError, "#{name}: #{e.message}"
        end

        # value, given: as it stands there, nil or "" where there is none.
        def octets(key, value, given)
          case key
          when 0
            mandatory(given)
          when 1
            list(given).map { |id| [id.bytesize].pack("C") << id }.join
          when 2
            value.nil? ? "".b : raise(ArgumentError, "it takes no value")
          when 3
            [Fields.whole(given, 65_535)].pack("n")
          when 4
            given.split(",", -1).map { |a| Fields.address(a, 4) }.join
          when 5
            Fields.unbase64(given)
          when 6
            given.split(",", -1).map { |a| Fields.address(a, 6) }.join
          else
            given
          end
        end

        # Keys by name → their numbers, in order (RFC 9460 §8).
        def mandatory(text)
          keys = text.split(",", -1).map { |n| number(n) }
          raise ArgumentError, "a key stands twice" if keys.uniq.size < keys.size

          keys.sort.pack("n*")
        end

        # Octets of addresses, of so many each.
        RUN = ->(size) { ->(o) { !o.empty? && (o.bytesize % size).zero? } }
        # What the octets of a named key must be (RFC 9460 §7, §8; RFC 9461 §5).
        GOOD = {
          0 => ->(o) { RUN[2][o] && !o.unpack("n*").include?(0) },
          1 => ->(o) { !o.empty? && alpn_ids(o).none?(&:empty?) },
          2 => :empty?.to_proc,
          3 => ->(o) { o.bytesize == 2 },
          4 => RUN[4],
          6 => RUN[16],
          7 => ->(o) { o.start_with?("/") && o.include?("{?dns}") }
        }.freeze

        # Raises ArgumentError.
        def check(key, octets)
          if GOOD.key?(key) && !GOOD[key].call(octets)
            raise ArgumentError, "its value makes no sense"
          end
        end

        # A comma-separated list in which \, is a comma of the item (RFC 9460 appendix A.1).
        def list(value) = value.scan(/(?:[^,\\]|\\.)+/mn).map { |item| item.gsub(/\\(.)/mn, '\1') }

        # params: {number => octets}. Returns them as they stand in a zone file (RFC 9460 §2.1).
        def text(params)
          params
            .map do |key, value|
              [NAMES.fetch(key, "key#{key}"), decode(key, value)].compact.join("=")
            end
            .join(" ")
        end

        # One value’s octets as text.
        def decode(key, value)
          case key
          when 0
            value.unpack("n*").map { |n| NAMES.fetch(n, "key#{n}") }.join(",")
          when 1
            Escape.quoted(alpn_ids(value).map { |id| id.gsub(/[,\\]/n) { |c| "\\#{c}" } }.join(","))
          when 2
            nil
          when 3
            value.unpack1("n").to_s
          when 4
            value.scan(/.{4}/mn).map { |a| IPAddr.new_ntoh(a).to_s }.join(",")
          when 5
            value.empty? ? nil : [value].pack("m0")
          when 6
            value.scan(/.{16}/mn).map { |a| IPAddr.new_ntoh(a).to_s }.join(",")
          else
            value.empty? ? nil : Escape.quoted(value)
          end
        end

        # The protocol identifiers in an alpn value (RFC 9460 §7.1.1).
        def alpn_ids(value)
          reader = ByteReader.new(value)
          out = []
          out << reader.take(reader.u8) until reader.end?
          out
        end

        # {number => octets} → octets (RFC 9460 §2.2).
        def wire(params)
          params.map { |key, value| [key, value.bytesize].pack("nn") << value }.join.b
        end

        # ByteReader → {number => octets}.
        def unwire(reader)
          out = {}
          out[reader.u16] = reader.take(reader.u16) until reader.end?
          out
        end
      end
    end
  end
end
