# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # A message's text in its parts: what its writer says, what he quotes, what stands below as a
      # footer; sentences.
      module Passages
        # Signs that nobody sees and that part words (Unicode, general category Cf, and soft
        # hyphens).
        UNSEEN =
          /[\u{AD}\u{200B}-\u{200F}\u{202A}-\u{202E}\u{2060}-\u{2064}\u{2066}-\u{206F}\u{FEFF}]/
        QUOTED = /\A[ \t]*>/
        ANY = Languages::ALL
        WROTE = ANY.map(&:wrote).join("|").gsub(" ", "\\ ")
        TITLES = ANY.map(&:earlier).join("|").gsub(" ", "\\ ")
        # Lines from which on everything is an earlier message: “On … wrote:”, the title of one,
        # a line above which the answer is typed.
        EARLIER =
          /(?:\b|(?<=[^\p{ASCII}]))(?:#{WROTE})[^\p{L}\n]{0,40}[:：]\s*\z|
           \A(?=.*\d).{4,120}\b(?:#{WROTE})\b.{0,60}[:：]\s*\z|
           \A[\ \t]*[-_=*\#]{2,}[\ \t]*(?:#{TITLES})\b|
           \A[\ \t]*(?:#{TITLES})[^\p{L}\n]{0,30}[:：]\s*\z/ix
        # An answer is typed above it; where nothing stands above, what was written last is below.
        ABOVE = /\A[ \t]*[#=*_-]{2,}.{0,60}(?:above this line|reply above)/i
        # A field of an earlier message's head.
        FIELD = /\A[ \t>*]*(?:#{ANY.flat_map(&:headers).uniq.join("|")})\*?[ \t]*[:：]\*?[ \t]*\S/i
        # So many of them in a row are one.
        FIELDS = 3
        # Lines from which on it is a footer.
        FOOTER = /\A(?:--\ ?|_{5,}|\s*(?:#{ANY.map(&:footer).join("|").gsub(" ", "\\ ")})\b?.*)\z/ix
        # The subject of an answer, or of what was passed on (RFC 5322 §3.6.5; the words of others
        # are common practice).
        ANSWER =
          /\A\s*(?:\[[^\]]{1,40}\]\s*)?(?:re|aw|antw(?:ort)?|sv|vs|rif|odp|res|fwd?|wg|tr|rv|enc|i|
            pd|返信|転送)\s*(?:\[\d+\]|\(\d+\))?\s*[:：]/ix
        # Where a sentence ends: not behind “6.” or an abbreviation.
        ENDS =
          /(?<=[.!?])(?<!\b\d\.)(?<!\b\d\d\.)(?<![ap]\.m\.)(?<!\bgodz\.)(?<!\bnr\.)(?<!\bno\.)(?<!\bkl\.)
                \s+(?=[^\p{Ll}\s])|(?<=[。！？])/x
        BREAK = /[,;:–—(]|\b(?:and|but|und|aber|et|mais|y|pero|e|ma|en|maar|i|ale)\b/i
        SHORT = 46

        module_function

        # [what the writer says, what he quotes, the footer]: texts. bare: signs that nobody sees
        # are left where they are, and lines as they begin.
        def parts(text, bare: false)
          told = text.lines(chomp: true)
          lines = told.map { |l| l.gsub(UNSEEN, "") }
          places(lines).map do |list|
            kept = list.reject { |i| lines[i].match?(ABOVE) }
            kept.map { |i| bare ? told[i] : lines[i].sub(/\A[ \t>]+/, "") }.join("\n")
          end
        end

        # The numbers of the lines of each part.
        def places(lines)
          cut = earlier(lines)
          quoted, fresh = lines.each_index.partition { |i| i >= cut || lines[i].match?(QUOTED) }
          foot = fresh.find { |i| footer?(lines, fresh, i) } || lines.size
          below, said = fresh.partition { |i| i >= foot }
          [said, quoted, below]
        end

        # Is it the subject of an answer, so that somebody else may have written it?
        #   Post::Passages.answer?("Re: [SM-1] your names") # => true
        def answer?(subject) = subject.match?(ANSWER)

        # The index from which on everything was written earlier. “On Monday, Ada” may stand on the
        # line before “wrote:”.
        def earlier(lines)
          at = lines.each_index.find { |i| earlier?(lines, i) } or return lines.size
          broken = at.positive? && lines[at].match?(/\A[ \t]*\S{0,60}[ \t]*(?:#{WROTE})/io)
          broken && lines[at - 1].match?(/\A[ \t]*\p{L}.*\d/) ? at - 1 : at
        end

        def earlier?(lines, index)
          line = lines[index]
          return true if line.match?(EARLIER)
          return lines[0...index].any? { |l| !l.strip.empty? } if line.match?(ABOVE)

          line.match?(FIELD) && lines[index, FIELDS].grep(FIELD).size == FIELDS
        end

        def footer?(lines, fresh, index)
          lines[index].match?(FOOTER) &&
            fresh.take_while { |i| i < index }.any? { |i| !lines[i].strip.empty? }
        end

        # Sentences of a text whose lines may be broken anywhere.
        #   Post::Passages.sentences("It is on its way. Tide\nis high.")
        #     # => ["It is on its way.", "Tide is high."]
        def sentences(text)
          text
            .split(/\n[ \t]*\n/)
            .flat_map { |block| joined(block).flat_map { |line| line.split(ENDS) } }
            .map(&:strip)
            .reject(&:empty?)
        end

        # A line that is full goes on in the next.
        def joined(block)
          block
            .lines(chomp: true)
            .map(&:strip)
            .reject(&:empty?)
            .each_with_object([]) do |line, out|
              last = out.last
              on =
                last && last.length < Bounds::LINE && !last.match?(/[.!?:。]\z/) &&
                  (last.length >= SHORT || line.match?(/\A\p{Ll}/))
              on ? out[-1] = "#{last} #{line}" : out << line
            end
        end

        # Has what a pattern found in a sentence happened? Not where it will, may, could not, or
        # only once something else has.
        def happened?(_sentence, match)
          clause = match.pre_match.split(BREAK).last.to_s + match[0]
          opening = match.pre_match + match[0][/\A\S*/]
          Languages::ALL.none? do |t|
            u = t.unhappened or next
            clause.match?(u[:inside]) || opening.match?(u[:opening]) ||
              match.post_match.match?(u[:behind])
          end
        end
        private_class_method :places, :joined, :earlier, :earlier?, :footer?
      end
    end
  end
end
