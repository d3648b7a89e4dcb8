# frozen_string_literal: true

module SteadyMove
  module Core
    module Records
      # Reads a table of records as it is copied from a DNS host's page: name, type, value, TTL (and
      # a priority) in any order of columns, with or without a head. What such tables leave out is
      # taken as their pages mean it (common practice): a name without the zone's own is under it, a
      # target with a dot in it is whole, a text needs no quotes.
      class TableReader
        # text => the column's meaning; lower case.
        HEADS = {
          "name" => :name,
          "host" => :name,
          "hostname" => :name,
          "host name" => :name,
          "owner" => :name,
          "record" => :name,
          "record name" => :name,
          "subdomain" => :name,
          "label" => :name,
          "type" => :type,
          "record type" => :type,
          "rr type" => :type,
          "value" => :value,
          "data" => :value,
          "content" => :value,
          "target" => :value,
          "points to" => :value,
          "answer" => :value,
          "destination" => :value,
          "address" => :value,
          "rdata" => :value,
          "record value" => :value,
          "ttl" => :ttl,
          "time to live" => :ttl,
          "ttl (seconds)" => :ttl,
          "priority" => :priority,
          "prio" => :priority,
          "preference" => :priority,
          "pref" => :priority,
          "mx priority" => :priority,
          "weight" => :weight,
          "port" => :port,
          "class" => :class
        }.freeze
        # What hosts call an alias that they turn into addresses, and what is a service of theirs
        # and no record.
        ALIASES = %w[ALIAS ANAME FLATTEN].freeze
        SERVICES = %w[
          URL
          URL301
          URL302
          REDIRECT
          WEBFWD
          FRAME
          FORWARD
          MAILFW
          MAILFORWARD
          PARKING
        ].freeze
        SPAN =
          /\A(?:(\d{1,9})\s*(s|secs?|seconds?|m|mins?|minutes?|h|hrs?|hours?|d|days?|w|weeks?)?
                 |auto|automatic|default)\z/ix
        UNITS = { "s" => 1, "m" => 60, "h" => 3600, "d" => 86_400, "w" => 604_800 }.freeze
        # Seconds that are taken where the page says none; told in TableZone#assumed.
        USUAL_TTL = 3600
        MOST = 100_000

        # zone: Zone; problems: [[line, why]] of lines that can't be told; services: [[line, name,
        # type, value]] of the host's own, which are no records; aliases: [[Name, target text]];
        # assumed: how many had no TTL.
        TableZone = Struct.new(:zone, :problems, :services, :aliases, :assumed, keyword_init: true)

        # text: what was copied; origin: the zone's name. Returns TableZone; raises ZoneError where
        # no table is seen.
        def self.read(text, origin:) = new(Name.parse(origin)).read(text)

        def initialize(origin)
          @origin = origin
          @records = []
          @problems = []
          @services = []
          @aliases = []
          @assumed = 0
        end

        # text: of a table. Returns TableZone; raises ZoneError.
        def read(text)
          rows = cells(text.dup.force_encoding(Encoding::UTF_8).scrub("?").tr("\u{a0}", " "))
          if rows.empty?
            raise ZoneError.new(
                    1,
                    "no table of records: name, type, value and TTL are expected, a record a line"
                  )
          end

          columns = TableColumns.of(rows)
          @columns = columns.order
          rows.drop(columns.head).each { |line, row| take(line, row) }
          TableZone.new(
            zone: Zone.new(@origin, @records),
            problems: @problems,
            services: @services,
            aliases: @aliases,
            assumed: @assumed
          )
        end

        private

        # [[line, [cell]]], by the separator that most lines have.
        def cells(text)
          lines =
            text
              .lines
              .each_with_index
              .map { |l, i| [i + 1, l.chomp] }
              .reject { |_, l| l.strip.empty? }
          raise ZoneError.new(1, "more than #{MOST} lines") if lines.size > MOST

          split =
            [/\t/, /\s*\|\s*/, /;/, /,/, /\s{2,}/, /\s+/].max_by.with_index do |by, i|
              [lines.count { |_, l| l.strip.split(by).size.between?(3, 9) }, -i]
            end
          lines.map do |n, l|
            [n, l.strip.delete_prefix("|").delete_suffix("|").split(split).map(&:strip)]
          end
        end

        def take(line, row)
          given = @columns.zip(joined(row)).reject { |what, _| what.nil? }.to_h
          type = given[:type].to_s.upcase
          name = owner(given[:name].to_s)
          if SERVICES.include?(type.delete(" -"))
            return @services << [line, name.to_host, type, given[:value].to_s]
          end
          return @aliases << [name, given[:value].to_s.chomp(".")] if ALIASES.include?(type)

          record(type, name, given)
        rescue ArgumentError => e
          @problems << [line, e.message]
        rescue Encoding::CompatibilityError
          @problems << [line, "octets beyond ASCII stand where none can"]
        end

        # A text that holds the separator, as the last column, is whole again.
        def joined(row)
          return row if row.size <= @columns.size || @columns.last != :value

          row.first(@columns.size - 1) + [row.drop(@columns.size - 1).join(" ")]
        end

        def record(type, name, given)
          raise ArgumentError, "“#{type}” is not a record type" unless Rdata.type_named(type)

          rdata = Rdata.parse(Rdata.type_named(type), tokens(type, given), origin: @origin)
          @records << Record.new(name: name, ttl: ttl(given[:ttl].to_s), rdata: rdata).freeze
        end

        # “@”, nothing or the zone's own name is the top; what ends with it is whole.
        def owner(text)
          bare = (text.ascii_only? ? text : Names::Idn.to_ascii(text)).chomp(".")
          return @origin if ["", "@", @origin.to_host.downcase].include?(bare.downcase)

          whole = Name.parse(bare)
          whole.under?(@origin) ? whole : Name.parse(bare, origin: @origin)
        end

        def tokens(type, given)
          value = given[:value].to_s
          raise ArgumentError, "the value is missing" if value.empty?
          return texts(value) if %w[TXT SPF].include?(type)

          numbers =
            %i[priority weight port].filter_map do |k|
              given[k] if given[k].to_s.match?(/\A\d{1,5}\z/)
            end
          parts = ZoneLexer.tokens(value)
          lacking = { "MX" => 2, "SRV" => 4 }.fetch(type, 0) - parts.size
          if lacking > numbers.size
            raise ArgumentError,
                  "#{type} lacks #{lacking > numbers.size ? "its priority" : "a value"}"
          end

          parts =
            numbers.last(lacking).map { |n| Token.new(n, false, 1) } + parts if lacking.positive?
          %w[CNAME NS PTR MX SRV DNAME].include?(type) ? parts[0..-2] + [target(parts.last)] : parts
        end

        # Whole where a dot is in it, as pages show it.
        def target(token)
          text = token.text
          text.include?(".") && !text.end_with?(".") ? Token.new("#{text}.", false, 1) : token
        end

        # A text as it stands there, in pieces of 255 octets, or as its quoted pieces.
        def texts(value)
          return ZoneLexer.tokens(value) if value.match?(/\A"[^"]*"(?:\s+"[^"]*")*\z/)

          value
            .b
            .scan(/.{1,255}/mn)
            .map { |part| Token.new(part.gsub(/["\\]/n) { |c| "\\#{c}" }, true, 1) }
        end

        def ttl(text)
          number, unit = text.match(SPAN)&.captures
          return number.to_i * UNITS.fetch((unit || "s")[0].downcase) if number
          unless text.empty? || text.match?(SPAN) || text == "-"
            raise ArgumentError, "“#{text}” is not a TTL"
          end

          @assumed += 1
          USUAL_TTL
        end
      end
    end
  end
end
