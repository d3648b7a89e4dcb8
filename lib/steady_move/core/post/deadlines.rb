# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Instants until which a message wants an answer (rules of the job §8); what is ambiguous
      # gives the earlier reading.
      module Deadlines
        # What follows a date makes it one as well.
        BEHIND =
          /\A[^.!?。]{0,24}?(?:at\ the\ latest|is\ the\ (?:deadline|last\ day)|spätestens|
            au\ plus\ tard|
                  a\ más\ tardar|uiterlijk|
                  まで|迄|が期限)/ix
        OBJECTING =
          /\b(?:unless|if\ (?:you|we)|objection|ohne|falls|wenn|sans|sauf\ si|si\ (?:usted\ )?no|
            se\ non|
                     als\ u|se\ não|jeśli)\b/ix
        ON = /\b(?:on|at|am|le|el|il|op|em|w dniu)\s*\z/i
        OPEN = /\b(?:link|request|form|page|approval|button|answer|reply)\b/i
        ENDING =
          /\b(?:end\ of|ende\ des|fin\ du|final\ del|fine\ del|einde\ van|fim\ do|
            koniec)\b(?-i:[\s\p{L}]){0,12}\z/ix
        # What may stand between words that lead to a date and the date.
        UP_TO_DATE = '(?:[\s:,(.–-]|(?-i:[\p{L}\d.:\'’+)])+\s?){0,14}\z'
        # Dates of one sentence that are looked at.
        MOST = 12
        # Compiled patterns: by languages, and by one.
        LEADS =
          Hash.new { |kept, words| kept[words] = /(?<!\p{L})(?:#{words})(?!\p{L})#{UP_TO_DATE}/i }
        SPANS = Hash.new { |kept, language| kept[language] = span_pattern(language) }
        private_constant :LEADS, :SPANS
        NUMBER =
          '(?<number>\d{1,3})(?:\s*\(\s*[\p{L}-]+\s*\))?' \
            '(?:\s*(?:to|-|–|or|bis)\s*(?<more>\d{1,3}))?'
        # When a message was sent: Time or nil, and its Date field's offset in seconds east, or nil.
        Sent = Struct.new(:at, :offset)
        PAST =
          /\b(?:was|were) due\b|\bhad until\b|\b(?:has|have) (?:ended|expired|passed|lapsed)\b/i
        # A stretch of time that is no deadline, whatever it says of an answer.
        LASTING =
          /\b(?:takes?|usually|normally|typically|arriv\w+|effective|dauert|prend|tarda|richiede|
            duurt|
                   demora|trwa)\b|
                   \b(?:will\ be|are|is)\ (?:sent|answered|complete\w*|done|processed|credited|
                   renewed)\b|
                   \bvalid\ for\b|
                   \b(?:['’]ll|will|shall|aim\ to)\ (?:\w+\ )?(?:answer|reply|respond|get\ back|
                   come\ back|be\ in\ touch)\b/ix

        # What is said of a time in whose place any zone may be meant.
        ZONELESS = %i[no_zone only_a_date].freeze
        FILLERS =
          "the|next|los|les|de|der|dem|einer|einem|un|about|another|only|at " \
            "least|than|próximos|prochains|een"

        module_function

        # subject, text: what the writer says; sent: Sent, or a Time, or nil; asking: the message
        # wants an answer. Returns [Time or nil, Phrases on what was assumed]. A date alone counts
        # from its start, because it must not yet have come (rules of the job §1); a time without a
        # zone as the earlier of UTC and of the sender's own offset.
        #   Post::Deadlines.find("", "Please answer by 2027-03-06 10:00 UTC.", sent: nil).first
        #   # => Time.utc(2027, 3, 6, 10)
        def find(subject, text, sent: nil, asking: false)
          sent = Sent.new(sent, nil) unless sent.is_a?(Sent)
          languages = Languages.in("#{subject}\n#{text}")
          dates = Dates.new(languages, sent.at)
          sentences = Passages.sentences(subject) + Passages.sentences(text)
          sentences = sentences.map { |s| s.unicode_normalize(:nfkc) }
          found =
            sentences.flat_map do |s|
              by_date(s, dates, languages, asking) + counted(s, languages, sent.at)
            end
          at, assumed = earliest(found, sent.offset.to_i)
          [at, assumed.to_a.uniq.map { |key| Phrase.of("post.deadline.#{key}") }]
        end

        def earliest(found, offset)
          found.map { |at, assumed| earlier(at, assumed, offset) }.min_by(&:first)
        end

        # Where the sender's clock is ahead of UTC, a time without a zone comes earlier.
        def earlier(at, assumed, offset)
          return at, assumed unless offset.positive? && assumed.intersect?(ZONELESS)

          [at - offset, assumed - [:no_zone] + [:sender_zone]]
        end

        # [[Time, keys of what was assumed]] for the dates of a sentence.
        def by_date(sentence, dates, languages, asking)
          found = dates.in(sentence).first(MOST)
          return [] if found.empty?

          wants = asking || languages.any? { |t| sentence.match?(t.acts) }
          found.each_with_index.filter_map do |date, i|
            start = i.zero? ? 0 : found[i - 1].to
            before = sentence[start...date.from]
            behind = sentence[date.to..]
            before = before.split(/;|—/).last.to_s if before.match?(/;|—/)
            unless wants && led?(before, behind, sentence, languages) &&
                     !aside?(before, behind, languages)
              next
            end

            instant(date, before, behind[0...((found[i + 1]&.from || sentence.length) - date.to)])
          end
        end

        def led?(before, behind, sentence, languages)
          near = before[-60..] || before
          return true if near.match?(leads(languages)) || behind.match?(BEHIND)

          near.match?(ON) && sentence.match?(OBJECTING)
        end

        # What stands before a deadline in these languages.
        def leads(languages) = LEADS[languages.map(&:leads).join("|")]

        # A date that is no deadline, whatever leads to it.
        def aside?(before, behind, languages)
          clause = before + behind[/\A[^,;.]*/].to_s
          aside = languages.any? { |t| clause.match?(t.asides) } && !clause.match?(OPEN)
          aside || clause.match?(PAST)
        end

        def instant(date, before, behind)
          midnight = Time.utc(date.day.year, date.day.month, date.day.day)
          clock = ClockTimes.find(behind, before, at: midnight)
          if clock
            assumed = date.assumed + clock.assumed
            return midnight + clock.seconds - clock.offset.to_i, assumed
          end
          return midnight + 86_400, date.assumed + [:end_of_day] if before.match?(ENDING)

          [midnight, date.assumed + [:only_a_date]]
        end

        # “within five (5) days”, counted from when the message was sent.
        def counted(sentence, languages, sent)
          return [] if sent.nil?

          languages
            .flat_map do |t|
              next [] unless sentence.match?(t.acts)
              next [] if sentence.match?(LASTING) && !sentence.match?(OBJECTING)

              matches(sentence, t).map { |m| span(m, t, sent) }
            end
            .compact
        end

        def matches(sentence, language)
          sentence.enum_for(:scan, SPANS[language.id]).map { Regexp.last_match }
        end

        def span_pattern(id)
          language = Languages::ALL.find { |t| t.id == id }
          words = either(language.numbers.keys)
          word =
            (
              if words.empty?
                ""
              else
                "|(?<word>#{words})(?!\\p{L})(?:\\s*\\(\\s*(?<again>\\d{1,3})\\s*\\))?"
              end
            )
          lead =
            language.within.empty? ? "" : "(?<!\\p{L})#{language.within}\\s+(?:(?:#{FILLERS})\\s+)*"
          Regexp.new(
            "#{lead}(?:#{NUMBER}#{word})\\s*-?\\s*(?<unit>#{either(language.units.keys)})(?!\\p{Lat" \
              "in})",
            true
          )
        end

        def either(words) = words.map { |w| "(?:#{w})" }.join("|")

        def span(match, language, sent)
          count = count(match, language)
          unit = meant(language.units.sort_by { |w, _| -w.length }, match[:unit])
          return if unit.nil? || count.to_i.zero?

          at = unit == :business ? business(sent, count) : sent + (count * unit)
          [at, [:from_sent, *(:earlier_count if match[:more])]]
        end

        def count(match, language)
          figure = match[:number] || (match[:again] if match.names.include?("again"))
          figure ? figure.to_i : meant(language.numbers, match[:word])
        end

        def meant(table, text) = table.find { |word, _| text.match?(/\A(?:#{word})\z/i) }&.last

        # Monday to Friday (rules of the job §1); holidays are not known.
        def business(sent, count)
          at = sent
          until count.zero?
            at += 86_400
            count -= 1 unless at.saturday? || at.sunday?
          end
          at
        end
        private_class_method :earliest,
                             :earlier,
                             :by_date,
                             :led?,
                             :leads,
                             :aside?,
                             :instant,
                             :counted,
                             :matches,
                             :span_pattern,
                             :span,
                             :count,
                             :meant,
                             :business,
                             :either
      end
    end
  end
end
