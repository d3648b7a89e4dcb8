# frozen_string_literal: true

require "date"
require "tzinfo"

module SteadyMove
  module Core
    module Post
      # A time of day beside a date, with its zone: “17:00 CET”, “5 p.m.”, “noon”, “9.00 Uhr”,
      # “24:00 UTC+2”.
      module ClockTimes
        # seconds: into the day; offset: east of Greenwich, in seconds, or nil where none stands
        # there; assumed: keys of what was assumed.
        Read = Struct.new(:seconds, :offset, :assumed, keyword_init: true)
        NOON = "noon|midday|mittags?|midi|mediodía|mezzogiorno|meio-dia|południe|południa|middag|正午"
        MIDNIGHT =
          "midnight|mitternacht|minuit|medianoche|mezzanotte|middernacht|meia-noite|północ[ąy]?"
        HALF = "a\\.?m\\.?|p\\.?m\\.?"
        HOUR = '(?<hour>\d{1,2})'
        TIME =
          /(?:#{HOUR}[:.h](?<minute>[0-5]\d)(?::(?<second>[0-5]\d)(?:\.\d+)?)?(?:[\ ]?(?<half>#{HALF})(?!\p{L}))?|
                 #{HOUR}[\ ]?(?<half>#{HALF})(?!\p{L})|
                 (?<hour>[01]\d|2[0-4])(?<minute>[0-5]\d)(?=[\ ]?(?:Z|UTC|GMT|hrs|hours)(?!\p{L}))|
                 (?<=T)(?<hour>[01]\d|2[0-4])(?<minute>[0-5]\d)(?<second>[0-5]\d)?(?!\d)|
                 #{HOUR}[\ ]?(?:h(?:eures|rs)?(?![\p{L}\d])|uhr|uur|o['’]clock|
                 時)(?:[\ ]?(?<minute>[0-5]\d)(?:分)?)?|
                 (?:12[\ ])?(?<noon>#{NOON})|(?:12[\ ])?(?<midnight>#{MIDNIGHT}))
                (?:[\ ]?(?:h|hrs|uhr|uur|heures|godz\.?)(?!\p{L}))?/ix
        NUMERIC =
          / ?\(?(?:(?:UTC|GMT|Z) ?)?(?<sign>[+−-])(?<oh>\d{1,2})(?::?(?<om>[0-5]\d))?\)?(?![\d:])/
        LETTERS =
          %r{[\ ]?\(?(?<zone>[A-Z]{1,5}(?!\p{L})|[A-Z][a-z]+/[A-Z][A-Za-z_]+|
                   (?:Coordinated|Central|Eastern|Western|Pacific|Mountain|Greenwich|Japan|
                   British)[\ ](?:(?-i:\p{L})+[\ ]){0,2}Time)\)?}x
        BETWEEN =
          /\A(?:[\s,(–.-]|(?:at|um|à[ ]partir|à|a[ ]las|alle[ ]ore|alle|ore|om|às|
                   o[ ]godz(?:inie)?|godz|kl|by|the|
                   before|until|of|r|roku|a|o|T|(?-i:\p{L}){3,9}\)?,)(?!\p{L})|の|日|時間|
                   (?<=\d)T(?=\d))*/ix
        BEFORE =
          /(?:[\s,]|(?<!\p{L})(?:on|am|den|of|the|le|el|il|del|op|em|do|w[ ]dniu|
            dnia)(?!\p{L}))*\z/ix
        # Letters that are no zone.
        NO_ZONE = %w[AM PM ON OR AND IF THE BY AT TO IN IS OF NO WE A I YOU].freeze
        ZONES = {
          "UTC" => 0,
          "GMT" => 0,
          "Z" => 0,
          "WET" => 0,
          "WEST" => 1,
          "BST" => 1,
          "CET" => 1,
          "MEZ" => 1,
          "CEST" => 2,
          "MESZ" => 2,
          "EET" => 2,
          "EEST" => 3,
          "MSK" => 3,
          "GST" => 4,
          "PKT" => 5,
          "ICT" => 7,
          "WIB" => 7,
          "HKT" => 8,
          "SGT" => 8,
          "AWST" => 8,
          "PHT" => 8,
          "JST" => 9,
          "KST" => 9,
          "AEST" => 10,
          "AEDT" => 11,
          "NZST" => 12,
          "NZDT" => 13,
          "NST" => -3.5,
          "ADT" => -3,
          "EST" => -5,
          "EDT" => -4,
          "CDT" => -5,
          "MST" => -7,
          "MDT" => -6,
          "PST" => -8,
          "PDT" => -7,
          "AKST" => -9,
          "HST" => -10,
          "BRT" => -3,
          "ART" => -3
        }.freeze
        # Letters that mean several zones: the easternmost gives the earlier reading.
        SEVERAL = {
          "IST" => 5.5,
          "CST" => 8,
          "AST" => 3,
          "ET" => -4,
          "CT" => -5,
          "MT" => -6,
          "PT" => -7,
          "SST" => 8,
          "AMT" => 4,
          "ECT" => 1,
          "WST" => 13
        }.freeze
        NAMED = {
          /\ACoordinated|\AGreenwich/x => "UTC",
          /\ACentral\ European\ Summer/x => "CEST",
          /\ACentral\ European/x => "CET",
          /\AEastern European Summer/ => "EEST",
          /\AEastern European/ => "EET",
          /\AEastern Daylight/ => "EDT",
          /\AEastern Standard/ => "EST",
          /\AEastern/ => "ET",
          /\APacific Daylight/ => "PDT",
          /\APacific Standard/ => "PST",
          /\APacific/ => "PT",
          /\ACentral/ => "CT",
          /\AMountain/ => "MT",
          /\AJapan/ => "JST",
          /\ABritish/ => "BST"
        }.freeze
        # A place's own time, whose zone nobody can tell from here: “local time”, “Berlin time”,
        # “(Paris)”.
        LOCAL =
          /[\ ,]*\(?(?:(?:local|your|our|office|server|legal|standard)\ (?:local\ )?time|
            \p{Lu}[\p{L}.'’-]+(?:[\ -]\p{Lu}[\p{L}.'’-]+){0,2}\ (?:local\ |standard\ )?time|
            (?:\p{L}+er\ )?(?:Orts|Lokal)zeit|\p{Lu}\p{Ll}+er\ Zeit|
            heure\ (?:locale|légale|de\ \p{Lu}\p{L}+)|hora\ (?:local|de\ \p{Lu}\p{L}+)|
            ora\ (?:locale|di\ \p{Lu}\p{L}+)|(?:lokale|plaatselijke)\ tijd|\p{Lu}\p{L}+se\ tijd|
            czasu?\ (?:lokaln|miejscow)\p{L}+|現地時間)\)?|
           [\ ,]*\(\p{Lu}\p{Ll}{2,}(?:[\ -]\p{Lu}\p{Ll}+){0,2}\)/x
        PLACE = /\A#{LOCAL}/
        # The farthest east that any clock goes: the earlier reading of a zone that is not known.
        FARTHEST = 14

        module_function

        # behind, before: the sentence after and before a date; at: the date, for zones that change.
        # Returns Read or nil.
        def find(behind, before, at:)
          gap = behind[/\AT(?=\d)/] || behind[BETWEEN]
          match = TIME.match(behind, gap.length)
          return read(match, match.post_match, at) if match && match.begin(0) == gap.length

          gap = before[/#{BEFORE}/o]
          front = before[0...(before.length - gap.length)]
          match = front.match(/(?<![\d.:])#{TIME}(?:#{NUMERIC}|#{LETTERS}|#{LOCAL})?\z/o) or return
          read(TIME.match(match[0]), TIME.match(match[0]).post_match, at)
        end

        def read(match, behind, at)
          seconds, assumed = of_day(match)
          return if seconds.nil?

          offset, odd = zone(behind, at)
          Read.new(seconds: seconds, offset: offset, assumed: [*assumed, *odd])
        end

        def of_day(match)
          return 43_200, [] if match[:noon]
          return 0, [:midnight] if match[:midnight]

          hour = match[:hour].to_i
          half = match[:half].to_s.downcase.delete(".")
          return if half.empty? ? hour > 24 : !hour.between?(1, 12)

          hour = (hour % 12) + (half == "pm" ? 12 : 0) unless half.empty?
          seconds = (hour * 3600) + (match[:minute].to_i * 60) + match[:second].to_i
          [seconds, []] if seconds <= 86_400
        end

        # [offset in seconds or nil, what was assumed].
        def zone(behind, at)
          behind = behind.sub(/\A[ ,]+(?=\(|[A-Z+−-])/, " ")
          if (m = behind.match(/\A#{NUMERIC}/))
            east = (m[:oh].to_i * 3600) + (m[:om].to_i * 60)
            return m[:sign] == "+" ? east : -east, [] if east <= FARTHEST * 3600
          end
          letters = behind.match(/\A#{LETTERS}/)
          return lettered(letters[:zone], at) if letters && !NO_ZONE.include?(letters[:zone])

          behind.match?(PLACE) ? [FARTHEST * 3600, [:unknown_zone]] : [nil, [:no_zone]]
        end

        def lettered(text, at)
          id =
            text.include?(" ") ? NAMED.find { |pattern, _| text.match?(pattern) }&.last.to_s : text
          return (ZONES[id] * 3600).to_i, [] if ZONES.key?(id)
          return (SEVERAL[id] * 3600).to_i, [:several_zones] if SEVERAL.key?(id)
          if text.include?("/")
            return TZInfo::Timezone.get(text).period_for_local(at, true).utc_total_offset, []
          end

          # A maintained table, for the zones that ours leaves out.
          offset = Date._parse("12:00 #{id}")[:offset]
          offset ? [offset, []] : [FARTHEST * 3600, [:unknown_zone]]
        rescue TZInfo::InvalidTimezoneIdentifier, TZInfo::PeriodNotFound
          [FARTHEST * 3600, [:unknown_zone]]
        end
        private_class_method :read, :of_day, :zone, :lettered
      end
    end
  end
end
