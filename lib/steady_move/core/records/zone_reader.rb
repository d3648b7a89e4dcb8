# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Reads a zone file: RFC 1035 §5, $TTL of RFC 2308 §4, unknown types of RFC 3597 §5.
      # $INCLUDE takes only texts handed over in `files`; no disk is touched.
      class ZoneReader
        TEXT_MAX = 64 * 1024 * 1024
        DEPTH_MAX = 8

        # text: the file; origin: apex as text; files: {file name => text}.
        # Returns a Zone; raises ZoneError with the line and the reason.
        #   Records::ZoneReader.read("$TTL 60\nwww A 192.0.2.1", origin: "tide.example").records.size # => 1
        def self.read(text, origin:, files: {}) = new(origin, files).zone(text)

        def initialize(origin, files)
          @apex = @origin = Name.parse(origin)
          @files = files
          @records = []
          @default_ttl = @last_ttl = @owner = nil
        end

        # text: of a master file (RFC 1035 §5). Returns a Zone; raises ZoneError with line and reason.
        def zone(text)
          if text.bytesize > TEXT_MAX
            raise ZoneError.new(1,
              "the file has #{text.bytesize} octets; at most #{TEXT_MAX} are read")
          end

          read_text(text, 0)
          Zone.new(@apex, @records)
        end

        private

        def read_text(text, depth)
          ZoneLexer.new(text).each_entry do |entry|
            first = entry.tokens.first
            if first.text.start_with?("$") && !first.quoted && !entry.inherits then directive(entry, depth)
            else record(entry)
            end
          rescue ArgumentError => e
            raise ZoneError.new(entry.line, e.message)
          end
        end

        def directive(entry, depth)
          word, value, origin = entry.tokens.map(&:text)
          raise ArgumentError, "#{word} needs a value" unless value

          case word.upcase
          when "$ORIGIN" then @origin = Name.parse(value, origin: @origin)
          when "$TTL" then @default_ttl = Ttl.parse(value)
          when "$INCLUDE" then include_file(value, origin, depth)
          else raise ArgumentError, "“#{word}” is not known; $ORIGIN, $TTL and $INCLUDE are"
          end
        end

        def include_file(file, origin, depth)
          text = @files[file] or raise ArgumentError, "the included file “#{file}” was not given"
          raise ArgumentError, "files are included more than #{DEPTH_MAX} deep" if depth >= DEPTH_MAX

          outer_origin = @origin
          outer_owner = @owner
          @origin = Name.parse(origin, origin: @origin) if origin
          read_text(text, depth + 1)
          @origin = outer_origin
          @owner = outer_owner
        end

        def record(entry)
          tokens = entry.tokens.dup
          @owner = Name.parse(tokens.shift.text, origin: @origin) unless entry.inherits
          raise ArgumentError, "the first record has no owner" unless @owner

          ttl = take_ttl_and_class(tokens)
          type = type_of(tokens)
          rdata = Rdata.parse(type, tokens, origin: @origin)
          raise ArgumentError, "#{@owner} lies outside the zone #{@apex}" unless @owner.under?(@apex)

          @records << Record.new(name: @owner, ttl: settle_ttl(ttl, rdata), rdata: rdata).freeze
        end

        def type_of(tokens)
          token = tokens.shift or raise ArgumentError, "the record ends before its type"
          Rdata.type_named(token.text) or raise ArgumentError,
            "“#{token.text}” is not a record type that is known here; TYPEn with “\\#” data is"
        end

        # [TTL] [class] or [class] [TTL], in either order (RFC 1035 §5.1).
        def take_ttl_and_class(tokens)
          ttl = nil
          loop do
            text = tokens.first&.text.to_s
            if ttl.nil? && Ttl.ttl?(text) then ttl = Ttl.parse(tokens.shift.text)
            elsif text.match?(/\A(IN|CLASS1)\z/i) then tokens.shift
            elsif text.match?(/\A(CH|HS|CS|CLASS\d+)\z/i) then raise ArgumentError,
              "class #{text} is not carried; only IN is"
            else return ttl
            end
          end
        end

        # A record without TTL takes $TTL, else the last one stated, else the SOA's MINIMUM (RFC 2308 §4, RFC 1035
        # §5.1).
        def settle_ttl(ttl, rdata)
          @last_ttl = ttl if ttl
          ttl || @default_ttl || @last_ttl || (@last_ttl = rdata.values.last if rdata.type == "SOA") or
            raise ArgumentError, "no time to live: none here, no $TTL, and none before"
        end
      end
    end
  end
end
