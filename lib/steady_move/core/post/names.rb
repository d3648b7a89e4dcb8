# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Held names in a message: as they are, as “www.NAME”, in quotation marks, in capitals, within
      # Japanese text; not those of a mailbox, and not those that only a footer lists.
      module Names
        # What parts a name from what stands beside it: no sign that could belong to it.
        BESIDE = "\\p{Han}\\p{Hiragana}\\p{Katakana}"
        LETTER = "[\\p{L}\\p{N}&&[^#{BESIDE}]]".freeze
        WITHIN = /[#{BESIDE}]/
        # The longest run of labels that begins where a name may begin, and ends where it may end.
        WORD = /(?<!#{LETTER})(?<![.@_-])((?:#{LETTER}|\.(?=#{LETTER})|-+(?=#{LETTER}))++)(?!_)/

        module_function

        # held: [DomainName]; parts: [subject, fresh, quoted, footer]. Returns those of the first
        # place that names any: subject and what the writer says, what he quotes, a footer.
        def in(held, parts)
          subject, fresh, quoted, footer =
            parts.map { |t| t.gsub(Passages::UNSEEN, "").unicode_normalize(:nfkc) }
          ["#{subject}\n#{fresh}", quoted, footer].each do |text|
            found = named(held, text)
            return found if found.any?
          end
          []
        end

        def named(held, text)
          words = text.downcase
          written = written(words)
          held.select do |name|
            [name.ascii, name.unicode].any? do |n|
              written.include?(n) || (n.match?(WITHIN) && words.include?(n) && stands?(words, n))
            end
          end
        end

        # Everything in a text that could be a name as it is, without “www.”; a Set.
        def written(text)
          text.scan(WORD).to_set { |word,| word.delete_prefix("www.") }
        end

        # For names in signs that stand without a blank between others.
        def stands?(text, name)
          text.match?(
            /(?<!#{LETTER})(?<![.@_-])(?:www\.)?#{Regexp.escape(name)}(?!#{LETTER}|-#{LETTER}|_|
              \.#{LETTER})/x
          )
        end
        private_class_method :named, :written, :stands?
      end
    end
  end
end
