# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # One language in which registrars write: the words that the post is understood by. All are
      # common practice, without a source.
      # marker: words that show the language; ended: a transfer ended without a landing; passed: an
      # identity check went well; answers: what support says to a letter (Answers); kinds: {kind id
      # => [[weight, pattern, what it says]]}; approve,
      # decline, refusal: what a link does; unhappened: it has not happened; wrote: what ends the
      # line before an earlier message, earlier: the title of one, headers: of its fields; footer:
      # how a footer begins; mailing: a link that ends a mailing; codes: labels of a code; of_codes:
      # what follows a label that speaks of what became of the code; halves: a part of a code;
      # no_codes: words that stand where a code is looked for, and are none; leads: what stands
      # before a deadline; asides: sentences whose dates are no deadlines; acts: sentences that want
      # something; months, weekdays, units, numbers: {word pattern => value}; within: what stands
      # before a count of days.
      Language =
        Struct.new(
          :id,
          :marker,
          :ended,
          :passed,
          :answers,
          :kinds,
          :approve,
          :decline,
          :refusal,
          :unhappened,
          :wrote,
          :earlier,
          :headers,
          :footer,
          :mailing,
          :codes,
          :of_codes,
          :halves,
          :no_codes,
          :leads,
          :asides,
          :acts,
          :months,
          :weekdays,
          :units,
          :numbers,
          :within,
          keyword_init: true
        ) do
          # Is the text (partly) in it? In a short one a single word tells.
          def in?(text)
            marker.nil? || text.scan(marker).size > (text.length < Languages::SHORT ? 0 : 1)
          end
        end
      # Within a sentence: a dot inside a name doesn't end it.
      Language::GAP = "(?:[^.!?\\n]|[.](?=\\w))"
    end
  end
end
