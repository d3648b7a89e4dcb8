# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Reads a zone file: RFC 1035 §5, $TTL of RFC 2308 §4, unknown types of RFC 3597 §5.
      # $INCLUDE takes only texts handed over in `files`; no disk is touched. What lies outside the
      # zone is told, not taken (Zone#ignored).
      class ZoneReader
        TEXT_MAX = 64 * 1024 * 1024
        DEPTH_MAX = 8

        # text: the file; origin: apex as text; files: {file name => text}; keep: go on after what
        # is wrong, which is then in Zone#problems; generate: follow $GENERATE.
        # Returns a Zone; raises ZoneError with the line and the reason.
        #   Records::ZoneReader.read("$TTL 60\nwww A 192.0.2.1", origin: "tide.example").records.size
        #     # => 1
        def self.read(text, origin:, files: {}, keep: false, generate: true)
          new(origin, files, keep: keep, generate: generate).zone(text)
        end

        def initialize(origin, files, keep: false, generate: true)
          @keep = keep
          @generate = generate
          @problems = []
          @apex = @origin = Name.parse(origin)
          @files = files
          @ignored = []
          @alone = Singles.new
          @default_ttl = @last_ttl = @owner = nil
        end

        # text: of a master file (RFC 1035 §5). Returns a Zone; raises ZoneError with line and
        # reason.
        def zone(text)
          if text.bytesize > TEXT_MAX
            raise ZoneError.new(
                    1,
                    "the file has #{text.bytesize} octets; at most #{TEXT_MAX} are read"
                  )
          end

          read_text(text, 0)
          Zone.new(@apex, [], gathered: @alone.there, ignored: @ignored, problems: @problems)
        end

        private

        def read_text(text, depth)
          ZoneLexer
            .new(text, @keep && @problems)
            .each_entry(method(:plain)) do |entry|
              placed(entry) { take(entry, depth) }
            rescue ZoneError => e
              @keep ? @problems << e : raise
            end
        end

        # What is wrong in an entry, with its place.
        def placed(entry)
          yield
        rescue ArgumentError => e
          raise ZoneError.new(entry.line, e.message, column: column(entry))
        rescue Encoding::CompatibilityError
          raise ZoneError.new(
                  entry.line,
                  "octets beyond ASCII stand where none can",
                  column: beyond_ascii(entry)
                )
        end

        # Takes a line the short way; false where it has to go the long one.
        def plain(scan)
          found = PlainLine.read(scan, @origin) or return false
          owner = found.owner || @owner or return false
          ttl = found.ttl || @default_ttl || @last_ttl or return false
          return false unless owner.under?(@apex)

          record = Record.new(name: owner, ttl: ttl, rdata: found.rdata)
          @alone.add(record, @apex)
          @owner = owner
          @last_ttl = ttl if found.ttl
          true
        rescue ArgumentError
          false
        end

        def take(entry, depth)
          @left = entry.tokens
          first = entry.tokens.first
          unless first.text.start_with?("$") && !first.quoted && !entry.inherits
            return record(entry)
          end

          directive(entry, depth)
        end

        # Where the word stands that was read last.
        def column(entry)
          read = entry.tokens.size - @left.size
          entry.tokens[[read - 1, 0].max]&.column
        end

        def beyond_ascii(entry)
          (entry.tokens.find { |t| !t.text.ascii_only? } || entry.tokens.first).column
        end

        def directive(entry, depth)
          word, value, origin = entry.tokens.map(&:text)
          @left = entry.tokens.drop(2)
          raise ArgumentError, "#{word} needs a value" unless value

          case word.upcase
          when "$ORIGIN"
            @origin = Name.parse(value, origin: @origin)
          when "$TTL"
            @default_ttl = Ttl.parse(value)
          when "$INCLUDE"
            include_file(value, origin, depth)
          when "$GENERATE"
            generate(entry)
          else
            raise ArgumentError, "“#{word}” is not known; $ORIGIN, $TTL, $INCLUDE and $GENERATE are"
          end
        end

        # A run of alike records, written once (BIND's extension of the master file format).
        def generate(entry)
          unless @generate
            raise ArgumentError, "$GENERATE is not followed here; write its records out"
          end

          Generate
            .lines(entry.tokens.drop(1))
            .each { |tokens| record(Entry.new(entry.line, false, tokens)) }
        end

        def include_file(file, origin, depth)
          text = @files[file] or raise ArgumentError, "the included file “#{file}” was not given"
          if depth >= DEPTH_MAX
            raise ArgumentError, "files are included more than #{DEPTH_MAX} deep"
          end

          outer_origin = @origin
          outer_owner = @owner
          @origin = Name.parse(origin, origin: @origin) if origin
          read_text(text, depth + 1)
          @origin = outer_origin
          @owner = outer_owner
        end

        def record(entry)
          tokens = @left = entry.tokens.dup
          @owner = Fields.name(tokens, @origin) unless entry.inherits
          raise ArgumentError, "the first record has no owner" unless @owner

          ttl = take_ttl_and_class(tokens)
          type = type_of(tokens)
          rdata = Rdata.parse(type, tokens, origin: @origin)
          found = Record.new(name: @owner, ttl: settle_ttl(ttl, rdata), rdata: rdata).freeze
          return @ignored << [entry.line, found] unless @owner.under?(@apex)

          @alone.add(found, @apex)
        end

        def type_of(tokens)
          token = tokens.shift or raise ArgumentError, "the record ends before its type"
          Rdata.type_named(token.text) or
            raise ArgumentError,
                  "“#{token.text}” is not a record type that is known here; TYPEn with “\\#” " \
                    "data is"
        end

        # [TTL] [class] or [class] [TTL], in either order (RFC 1035 §5.1).
        def take_ttl_and_class(tokens)
          ttl = nil
          loop do
            text = tokens.first&.text.to_s
            if ttl.nil? && Ttl.ttl?(text)
              ttl = Ttl.parse(tokens.shift.text)
            elsif text.match?(/\A(IN|CLASS1)\z/i)
              tokens.shift
            elsif text.match?(/\A(CH|HS|CS|CLASS\d+)\z/i)
              raise ArgumentError, "class #{text} is not carried; only IN is"
            else
              return ttl
            end
          end
        end

        # A record without TTL takes $TTL, else the last one stated, else the SOA's MINIMUM (RFC
        # 2308 §4, RFC 1035 §5.1).
        def settle_ttl(ttl, rdata)
          @last_ttl = ttl if ttl
          ttl || @default_ttl || @last_ttl ||
            (@last_ttl = rdata.values.last if rdata.type == "SOA") or
            raise ArgumentError, "no time to live: none here, no $TTL, and none before"
        end
      end
    end
  end
end
