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
        # Lines from which on everything is an earlier message.
        EARLIER =
          /\A[\ \t]*(?:-{2,}\ ?(?:original\ message|ursprüngliche\ nachricht|message\ d['’]origine|
                   mensaje\ original|
                   messaggio\ originale|oorspronkelijk\ bericht|mensagem\ original|
                   oryginalna\ wiadomość|元のメッセージ)|
                   (?:on|am|le|el|il|op|em|w\ dniu)\b.{5,120}(?:wrote|schrieb|a\ écrit|escribió|
                   ha\ scritto|schreef|
                   escreveu|napisał(?:\(a\))?):\s*\z|.{5,80}(?:さん|様)?(?:は|が)書きました[:：]?\s*\z)/ix
        # Lines from which on it is a footer.
        FOOTER =
          /\A(?:--\ ?|_{5,}|\s*(?:you\ (?:are\ )?(?:receiv|get)\w*\ this|this\ (?:e-?mail|
                  message)\ was\ sent|unsubscribe|
                  ©|\(c\)|copyright|(?:all\ )?your\ other\ (?:names|domains)|other\ (?:names|
                  domains)\ (?:in|with|
                  at)|
                  also\ in\ your\ account|more\ (?:names|domains)\ in|diese\ (?:e-?mail|
                  nachricht)\ wurde|
                  vous\ recevez\ ce|este\ (?:correo|mensaje)|questa\ e-?mail|deze\ e-?mail|
                  este\ e-?mail|
                  ta\ wiadomość\ została|このメールは)\b?.*)\z/ix
        # Where a sentence ends: not behind “6.” or an abbreviation.
        ENDS =
          /(?<=[.!?])(?<!\b\d\.)(?<!\b\d\d\.)(?<![ap]\.m\.)(?<!\bgodz\.)(?<!\bnr\.)(?<!\bno\.)(?<!\bkl\.)
                \s+(?=[^\p{Ll}\s])|(?<=[。！？])/x
        BREAK = /[,;:–—(]|\b(?:and|but|und|aber|et|mais|y|pero|e|ma|en|maar|i|ale)\b/i
        SHORT = 46

        module_function

        # [what the writer says, what he quotes, the footer]; lines.
        def parts(text)
          lines = text.gsub(UNSEEN, "").lines(chomp: true)
          cut = lines.index { |l| l.match?(EARLIER) } || lines.size
          body = lines[0...cut]
          earlier = lines[cut..]
          quoted, fresh = body.partition { |l| l.match?(QUOTED) }
          foot =
            fresh.each_index.find do |i|
              fresh[i].match?(FOOTER) && fresh[0...i].any? { |l| !l.strip.empty? }
            end
          below = foot ? fresh.slice!(foot..) : []
          [fresh, quoted + earlier.to_a, below].map do |list|
            list.map { |l| l.sub(/\A[ \t>]+/, "") }.join("\n")
          end
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
        private_class_method :joined
      end
    end
  end
end
