# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Weighs the wording of a message, sentence by sentence; a subject weighs twice.
      module Kinds
        # A code that stands in it says as much as its wording.
        HOLDS_CODE = 10

        module_function

        # subject, text: what the writer says. Returns [kind id, [what the wording says]];
        # Lexicon::UNRELATED where nothing is understood.
        def classify(subject, text, names:, code: false) =
          weigh(subject, text, names: names, code: code)

        def weigh(subject, text, names:, code:)
          spoken = Languages.in("#{subject}\n#{text}")
          places = [[Passages.sentences(subject), 2], [Passages.sentences(text), 1]]
          weighed =
            Lexicon::ALL
              .reject { |k| k.names_needed && names.empty? }
              .map do |kind|
                hits = rows(kind, spoken).filter_map { |row| hit(row, kind, places) }
                sum = hits.sum(&:first) + (code && kind.id == "code" && hits.any? ? HOLDS_CODE : 0)
                [kind.id, sum, hits.map(&:last).uniq]
              end
          id, sum, says = weighed.max_by.with_index { |(_, weight), i| [weight, -i] }
          sum.to_i.positive? ? [id, says] : [Lexicon::UNRELATED, []]
        end

        def rows(kind, spoken)
          spoken.flat_map { |t| t.kinds.fetch(kind.id, []) }
        end

        # [what it weighs, what it says], or nil.
        def hit(row, kind, places)
          weight, pattern, says = row
          times =
            places
              .filter_map do |sentences, factor|
                factor if sentences.any? { |s| said?(s, pattern, kind) }
              end
              .max
          [weight * times, says] if times
        end

        def said?(sentence, pattern, kind)
          match = pattern.match(sentence)
          !match.nil? && (!kind.happened || told?(sentence, match))
        end

        # Somebody who asks does not tell that it has happened.
        def told?(sentence, match)
          !sentence.match?(/[?？]\W*\z|か。?\z/) && Passages.happened?(sentence, match)
        end
        private_class_method :weigh, :rows, :hit, :said?, :told?
      end
    end
  end
end
