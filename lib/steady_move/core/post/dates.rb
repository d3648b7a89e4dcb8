# frozen_string_literal: true

require "date"

module SteadyMove
  module Core
    module Post
      # Dates in a sentence, in words and figures of the languages that are understood.
      class Dates
        # from, to: where it stands in the sentence; day: Date; assumed: keys of what was assumed.
        DayAt = Struct.new(:from, :to, :day, :assumed, keyword_init: true)
        ORDINAL = "(?:st|nd|rd|th|er|º|ª|\\.|e)?"
        YEAR = '(?<year>\d{4})'
        DAY = '(?<day>\d{1,2})'
        TODAY = {
          "today|heute|aujourd['’]hui|hoy|oggi|vandaag|hoje|dzisiaj|本日|今日" => 0,
          "tomorrow|morgen|demain|mañana|domani|amanhã|jutro|明日" => 1
        }.freeze

        # What is said without a figure.
        WORDS = %i[weekday today].freeze

        FORMS = {} # rubocop:disable Style/MutableConstant -- compiled patterns, by languages
        private_constant :FORMS

        # languages: those that the message is written in; sent: Time, or nil.
        def initialize(languages, sent)
          @sent = sent && Date.new(sent.utc.year, sent.utc.month, sent.utc.day)
          @months = languages.flat_map { |t| t.months.to_a }
          @weekdays = languages.flat_map { |t| t.weekdays.to_a }
          @day_first = languages.any? { |t| !%w[en ja].include?(t.id) }
          @forms = FORMS[languages.map(&:id)] ||= forms
        end

        # [DayAt], in their order; of two that overlap the earlier and longer one.
        def in(sentence)
          all =
            forms_in(sentence).flat_map do |pattern, meaning|
              sentence
                .enum_for(:scan, pattern)
                .map { Regexp.last_match }
                .filter_map { |m| found(m, meaning) }
            end
          all
            .sort_by { |f| [f.from, -f.to] }
            .each_with_object([]) { |f, kept| kept << f if kept.empty? || f.from >= kept.last.to }
        end

        private

        # Those that it can hold.
        def forms_in(sentence)
          return @forms if sentence.match?(/\d/)

          @forms.select { |_, meaning| WORDS.include?(meaning) }
        end

        def forms
          month = "(?<month>#{union(@months)})"
          weekday =
            "(?:\\(?(?:#{union(@weekdays)})\\.?\\)?,?[ ]+)?(?:(?:the|den|dem|le|el|il|de|op)[ ])?"
          of = "[ /-]*(?:de[ ]|del[ ]|do[ ]|of[ ]|the[ ])?[ ]*"
          {
            /(?<!\d)#{YEAR}-(?<number>\d\d?)-#{DAY}(?!\d)/ => :plain,
            /(?<!\d)(?<year>20\d\d)(?<number>0[1-9]|1[0-2])(?<day>[0-2]\d|3[01])(?!\d)/ => :plain,
            %r{(?<!\d)#{YEAR}[年/.](?<number>\d\d?)[月/.]#{DAY}日?(?!\d)} => :plain,
            /(?<!\d)(?<number>\d\d?)月#{DAY}日/ => :plain,
            /(?<!\d)#{DAY}\. ?(?<number>\d\d?)\. ?(?<year>\d{4}|\d\d(?!\d))(?!\d)/ => :plain,
            %r{(?<![\d/])(?<one>\d\d?)(?<sep>[/-])(?<two>\d\d?)\k<sep>(?<year>\d{4}|
              \d\d(?!\d))(?![\d/])}x =>
              :either,
            %r{(?<![\d/.-])(?<one>\d\d?)/(?<two>\d\d?)(?![\d/])} => :either,
            /(?<!\p{L})#{weekday}(?<!\d)#{DAY}#{ORDINAL}#{of}#{month}(?!\p{L})(?:,?#{of}#{YEAR}(?!\d))?/ix =>
              :worded,
            /(?<!\p{L})#{weekday}#{month}\.?[\ ]+(?:the[\ ])?#{DAY}(?:st|nd|rd|th)?(?![\d:.]\d|
              \p{L}|
             \d)(?:,?[\ ]+#{YEAR}(?!\d))?/ix =>
              :worded,
            /(?<!\p{L})(?:(?:this|next|coming|diesen|
              kommenden)[\ ])?(?<weekday>#{union(@weekdays)})(?!\p{L})/ix =>
              :weekday,
            /(?<!\p{L})(?<today>#{TODAY.keys.join("|")})(?!\p{L})/i => :today
          }
        end

        def union(table) = table.empty? ? "(?!)" : table.map { |word, _| "(?:#{word})" }.join("|")

        def found(match, meaning)
          day, assumed = send(meaning, match)
          DayAt.new(from: match.begin(0), to: match.end(0), day: day, assumed: assumed) if day
        end

        def plain(match)
          year = match.names.include?("year") ? match[:year] : nil
          in_year(year, match[:number].to_i, match[:day].to_i)
        end

        def worded(match)
          month = value(@months, match[:month])
          in_year(match[:year], month, match[:day].to_i)
        end

        # Two numbers that may stand in either order; what both fit is read the earlier way, unless
        # the language of the message knows one order only.
        def either(match)
          one = match[:one].to_i
          two = match[:two].to_i
          year = match.names.include?("year") ? match[:year] : nil
          day_first = in_year(year, two, one)
          month_first = in_year(year, one, two)
          both = [day_first, month_first].select(&:first)
          return both.first if both.size < 2 || one == two
          return day_first if @day_first

          both.min_by(&:first).then { |day, assumed| [day, assumed + [:order]] }
        end

        def weekday(match)
          return if @sent.nil?

          wanted = value(@weekdays, match[:weekday])
          ahead = (wanted - @sent.wday) % 7
          [@sent + (ahead.zero? ? 7 : ahead), [:counted]]
        end

        def today(match)
          return if @sent.nil?

          [
            @sent + TODAY.find { |words, _| match[:today].match?(/\A(?:#{words})\z/i) }.last,
            [:counted]
          ]
        end

        # [Date or nil, what was assumed]; without a year, the next such day.
        def in_year(year, month, day)
          return nil, [] if month.nil? || !day.between?(1, 31)

          if year
            year = year.to_i + (year.length == 2 ? 2000 : 0)
            return Date.valid_date?(year, month, day) ? Date.new(year, month, day) : nil, []
          end
          return nil, [] if @sent.nil?

          first =
            (@sent.year..(@sent.year + 4)).filter_map do |y|
              Date.new(y, month, day) if Date.valid_date?(y, month, day)
            end
          [first.find { |d| d >= @sent }, [:no_year]]
        end

        def value(table, text) = table.find { |word, _| text.match?(/\A(?:#{word})\z/i) }&.last
      end
    end
  end
end
