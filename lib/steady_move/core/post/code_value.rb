# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What stands behind a label and its sign: a code, a question, or words.
      class CodeValue
        # code: text or nil; pieces: what may be (a part of) one where it is a question; whole: the
        # code ends its line.
        attr_reader :code, :pieces, :whole

        # Blanks around a bar part cells; one within a code is its own.
        CELLS = /\t| +\| +/
        # Words of a code that is written in several.
        MOST_WORDS = 8
        MOST_OF_PHRASE = 6

        # text: behind the sign, on its line; strong: a sign says that a code must stand here;
        # starts: the label begins its line, so that a last dot is the code's own.
        def initialize(text, strong:, starts:)
          @strong = strong
          @starts = starts
          @pieces = []
          @whole = false
          read(text)
        end

        def none? = code.nil? && pieces.empty?

        # May these words be a code that is written in groups, or a few that make no sentence?
        def self.groups?(words)
          return false unless words.size.between?(2, MOST_WORDS)

          words.any? { |w| CodeShape.mixed?(w) } ? parts?(words) : phrase?(words)
        end

        def self.parts?(words)
          few = words.size <= 3
          words.all? do |word|
            word.length <= 16 && !CodeShape.word?(word) && !word.match?(/[.,;:!?]\z|\A\(/) &&
              (few || !word.match?(/\A(?-i:\p{Ll}){3,}\z/))
          end
        end

        # A passphrase: words without a sentence's signs, few of which speak of codes.
        def self.phrase?(words)
          return false if words.size > MOST_OF_PHRASE

          words.all? { |w| w.match?(/\A\p{L}[\p{L}'’-]*\z/) } &&
            words.count { |w| CodeShape.word?(w) } * 3 <= words.size &&
            words.any? { |w| w.length >= CodeShape::LEAST }
        end
        private_class_method :parts?, :phrase?

        private

        def read(text)
          cells = text.split(CELLS).map(&:strip).reject(&:empty?)
          return @pieces = cells if cells.count { |c| CodeShape.possible?(c) } > 1

          text = cells.first.to_s.sub(/ *\|\z/, "")
          return @code = inside(text) if inside(text)

          token = text[/\A\S+/].to_s
          text.length == token.length ? last(token) : followed(token, text)
        end

        # Quoted, with anything behind it.
        def inside(text)
          close = CodeShape::QUOTES[text[0]] or return
          last = close == text[0] ? text.rindex(close) : text.index(close, 1)
          inner = text[1...last] if last && last > 3
          inner if inner && CodeShape.possible?(inner.delete(" "))
        end

        def last(token)
          @whole = true
          token = token.sub(/,\z/, "")
          bare = @starts ? token : token.sub(/[.,;]\z/, "")
          good = @strong ? CodeShape.sure?(bare) : CodeShape.plain?(bare)
          return @code = bare if good

          @pieces = [bare.sub(/[.,;]\z/, "")] if @strong && CodeShape.possible?(bare)
        end

        def followed(token, text)
          words = text.sub(/\.\z/, "").split
          return @pieces = [words.join(" "), *words] if @strong && self.class.groups?(words)

          bare = token.sub(/[.,;]\z/, "")
          @code = bare if CodeShape.plain?(bare)
        end
      end
    end
  end
end
