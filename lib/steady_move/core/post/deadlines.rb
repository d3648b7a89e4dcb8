# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Instants until which a message wants an answer.
      module Deadlines
        MONTHS = %w[january february march april may june july august september october november
          december].each_with_index.to_h do |m, i|
          [m, i + 1]
        end.freeze
        MONTH = "(?:#{MONTHS.keys.map { |m| "#{m[0, 3]}(?:#{m[3..]})?" }.join('|')})".freeze
        CLOCK = /[ T,]+(?:at )?(\d{1,2}):(\d\d)(?::(\d\d))?(?: ?(UTC|GMT|Z|[+-]\d\d:?\d\d))?/
        WEEKDAY = "(?:(?:mon|tues?|wednes|wed|thurs?|fri|satur|sat|sun)(?:day)?,? )?"
        WORDS = "(?:until|by|before|no later than|deadline(?: is)?:?|expires? (?:on|at)|not later than)"
        LEAD = /\b#{WORDS}\b[\s:]{1,3}(?:the )?(?:end of )?#{WEEKDAY}/i
        FORMS = {
          /#{LEAD}(\d{4})-(\d\d)-(\d\d)(?!\d)/i => ->(m) { [m[1], m[2], m[3]] },
          /#{LEAD}(\d{1,2})(?:st|nd|rd|th)?\.? (#{MONTH}),? (\d{4})/i => ->(m) { [m[3], month(m[2]), m[1]] },
          /#{LEAD}(#{MONTH}) (\d{1,2})(?:st|nd|rd|th)?,? (\d{4})/i => ->(m) { [m[3], month(m[1]), m[2]] }
        }.freeze
        WITHIN = /\bwithin (?:the next )?(\d{1,3}|one|two|three|four|five|six|seven|ten) (?:calendar )?(hour|day)s?\b/i
        NUMBERS = { "one" => 1, "two" => 2, "three" => 3, "four" => 4, "five" => 5, "six" => 6, "seven" => 7,
                    "ten" => 10 }.freeze

        module_function

        # text: of the message; sent: Time of its Date field, or nil. Returns [Time or nil, Phrase on what was assumed
        # or nil].
        # A date alone counts from its start, because it must not yet have come (rules of the job §1); so does a time
        # without a zone as UTC.
        #   Post::Deadlines.find("by 2027-03-06 10:00 UTC", sent: nil).first # => Time.utc(2027, 3, 6, 10)
        def find(text, sent: nil)
          FORMS.each do |pattern, parts|
            match = pattern.match(text) or next
            return at(parts.call(match), match.post_match)
          end
          match = WITHIN.match(text)
          return [nil, nil] unless match && sent

          count = NUMBERS[match[1].downcase] || match[1].to_i
          [sent + (count * (match[2].downcase == "hour" ? 3600 : 86_400)), Phrase.of("post.deadline.from_sent")]
        end

        def at(date, behind)
          clock = /\A#{CLOCK}/.match(behind)
          day = Time.utc(*date.map(&:to_i))
          return [nil, nil] unless day.day == date.last.to_i # 30 February

          return [day, Phrase.of("post.deadline.only_a_date")] unless clock

          seconds = (clock[1].to_i * 3600) + (clock[2].to_i * 60) + clock[3].to_i
          [day + seconds - offset(clock[4]), clock[4] ? nil : Phrase.of("post.deadline.no_zone")]
        rescue ArgumentError
          [nil, nil]
        end

        def offset(zone)
          return 0 unless zone&.match?(/\A[+-]/)

          sign = zone.start_with?("-") ? -1 : 1
          digits = zone.delete(":")
          sign * ((digits[1, 2].to_i * 3600) + (digits[3, 2].to_i * 60))
        end

        def month(text) = MONTHS.find { |m, _| m.start_with?(text.downcase[0, 3]) }.last
        private_class_method :at, :offset, :month
      end
    end
  end
end
