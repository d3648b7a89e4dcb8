# frozen_string_literal: true

require "ipaddr"

module SteadyMove
  module Core
    module Records
      # Parameters of SVCB and HTTPS records as {key number => value octets}, in key order (RFC 9460 §2.1, §2.2, §7).
      module SvcParams
        KEYS = { "mandatory" => 0, "alpn" => 1, "no-default-alpn" => 2, "port" => 3,
                 "ipv4hint" => 4, "ech" => 5, "ipv6hint" => 6 }.freeze
        NAMES = KEYS.invert.freeze

        module_function

        # tokens such as alpn=h2,h3 or port="8443"; raises ArgumentError naming the parameter at fault.
        def parse(tokens)
          pairs = tokens.map do |token|
            name, _, value = token.text.partition("=")
            key = number(name)
            [key, encode(key, Escape.undo(value), name)]
          end
          twice = pairs.map(&:first).tally.find { |_, n| n > 1 }
          raise ArgumentError, "parameter #{NAMES.fetch(twice.first, "key#{twice.first}")} stands twice" if twice

          pairs.sort.to_h
        end

        # The key’s number by its name or as keyN (RFC 9460 §2.1).
        def number(name)
          KEYS[name] || (name.match?(/\Akey\d{1,5}\z/) && name.delete_prefix("key").to_i) or
            raise ArgumentError, "“#{name}” is not a service parameter"
        end

        # value: as it stands in a zone file. Returns its octets (RFC 9460 §7).
        def encode(key, value, name)
          case key
          when 0 then value.split(",").map { |n| number(n) }.sort.pack("n*")
          when 1 then list(value).map { |id| [id.bytesize].pack("C") << id }.join
          when 2 then value.empty? ? "".b : raise(ArgumentError, "no-default-alpn takes no value")
          when 3 then [Fields.whole(value, 65_535)].pack("n")
          when 4 then value.split(",").map { |a| Fields.address(a, 4) }.join
          when 5 then Fields.unbase64(value)
          when 6 then value.split(",").map { |a| Fields.address(a, 6) }.join
          else value
          end
        rescue ArgumentError => e
          raise ArgumentError, "#{name}: #{e.message}"
        end

        # A comma-separated list in which \, is a comma of the item (RFC 9460 appendix A.1).
        def list(value) = value.scan(/(?:[^,\\]|\\.)+/mn).map { |item| item.gsub(/\\(.)/mn, '\1') }

        # params: {number => octets}. Returns them as they stand in a zone file (RFC 9460 §2.1).
        def text(params)
          params.map { |key, value| [NAMES.fetch(key, "key#{key}"), decode(key, value)].compact.join("=") }.join(" ")
        end

        # One value’s octets as text.
        def decode(key, value)
          case key
          when 0 then value.unpack("n*").map { |n| NAMES.fetch(n, "key#{n}") }.join(",")
          when 1 then Escape.quoted(alpn_ids(value).map { |id| id.gsub(/[,\\]/n) { |c| "\\#{c}" } }.join(","))
          when 2 then nil
          when 3 then value.unpack1("n").to_s
          when 4 then value.scan(/.{4}/mn).map { |a| IPAddr.new_ntoh(a).to_s }.join(",")
          when 5 then [value].pack("m0")
          when 6 then value.scan(/.{16}/mn).map { |a| IPAddr.new_ntoh(a).to_s }.join(",")
          else value.empty? ? nil : Escape.quoted(value)
          end
        end

        # The protocol identifiers in an alpn value (RFC 9460 §7.1.1).
        def alpn_ids(value)
          reader = ByteReader.new(value)
          out = []
          out << reader.take(reader.u8) until reader.end?
          out
        end

        def wire(params) = params.map { |key, value| [key, value.bytesize].pack("nn") << value }.join.b

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
