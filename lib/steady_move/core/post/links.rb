# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # The links of a message, each with its words and what these say that it does.
      module Links
        # url: as it stands there; words: its own, or the line beside it; role: approve, decline or
        # other, or quoted; host: A-label or nil; odd: ids of Url; leads: hosts of addresses within
        # it; shown: the other host that its words show, or nil; unseen: nobody sees it.
        Link =
          Struct.new(:url, :words, :role, :host, :odd, :leads, :shown, :unseen, keyword_init: true)
        # An address in plain text: with a scheme, without one, or as “www.”.
        BARE =
          %r{(?:(?<![\p{L}\p{N}])(?:https?|mailto|ftp|file|javascript|data|vbscript|
            wss?):(?=[^\s:])|
                  (?<![\p{L}\p{N}])[a-z][a-z0-9+.-]{1,20}://|
                  (?<![\p{L}\p{N}:/\\])//(?=(?-i:[\p{L}\p{N}-])+\.)|
                  (?<![\p{L}\p{N}./@-])www\.(?=(?-i:[\p{L}\p{N}-])+\.)|
                  (?<![\p{L}\p{N}./@:-])(?=(?-i:[\p{L}\p{N}.-])+\.[a-z]{2,}/[^\s]))[^\s<>"”»›)\]、。」）]+}ix
        # What may hold an address, and what none is without.
        WORD = /[^\s<>"”»›)\]、。」）]+/
        SIGN = %r{[:/]|www\.}i
        TAIL = /[.,;:!?'’*_]+\z/
        LABELLED = /[:：–—>→-]\s*\z/
        SENTENCE = /(?<=[.!?。])\s+/
        FOLLOWS = /\A\s*(?:to|um|zum|pour|para|per|om|aby|żeby)\b/i
        # A host in a link's words, where they are nothing else.
        HOST =
          %r{\A\s*(?:https?:[/\\]{2}|
            //)?((?:(?-i:[\p{L}\p{N}-])+\.)+(?-i:\p{L}){2,})(?:[/:?#].*)?\s*\z}imx
        # An address in angle brackets may be broken over lines (RFC 3986, appendix C).
        BRACKETED = %r{<((?:https?://|www\.)[^<>]{1,2000})>}i
        # A line as long as mail is wrapped; what follows it alone may be the rest of an address.
        WRAPPED = 66
        REST = %r{\A[\p{L}\p{N}._~/?#@!$&'()*+,;=%-]*[\p{L}\p{N}/?#&=%_]\z}
        # Links of a message that are looked at; one that holds more is doubtful (Trust).
        MOST = 300
        # The role of a link that somebody else may have written.
        QUOTED = "quoted"
        FILES = /\.(?:pdf|html?|docx?|txt|png|jpe?g|zip)\z/i

        module_function

        # The links of a Message: of what its writer says, in both forms; those of what was quoted
        # do nothing, and say nothing of the sender.
        def of_message(message)
          seen, unseen = (message.marked || message.text).split(Marks::UNSEEN, 2)
          fresh, quoted, footer = Passages.parts(seen.to_s, bare: true)
          told = read(with_unseen("#{fresh}\n\n#{footer}", unseen), other_form(message))
          known = told.to_set(&:url)
          earlier = addresses(quoted).reject { |link| known.include?(link.url) }
          told + earlier.each { |link| link.role = QUOTED }
        end

        def other_form(message)
          seen, unseen = message.further.to_s.split(Marks::UNSEEN, 2)
          fresh, _, footer = Passages.parts(seen.to_s, bare: true)
          with_unseen("#{fresh}\n\n#{footer}", unseen)
        end

        def with_unseen(text, unseen)
          unseen ? "#{text}\n\n#{Marks::UNSEEN}#{unseen}" : text
        end

        # text: marked up; own: what the mail's other form says, for addresses alone. Returns
        # [Link], in their order.
        #   Post::Links.read("To approve: https://reg.test/a\nTo decline: https://reg.test/b").map(&:role)
        #   # => ["approve", "decline"]
        def read(text, further = "")
          seen, unseen = text.split(Marks::UNSEEN, 2)
          blocks = whole(seen.to_s).split(/\n[ \t]*\n/).reject { |b| b.strip.empty? }
          before = ""
          found =
            blocks.each_with_object([]) do |block, all|
              all.concat(in_block(block, before, MOST - all.size)) if all.size < MOST
              before = block
            end
          other, hidden = further.split(Marks::UNSEEN, 2)
          silent =
            addresses("#{unseen}\n#{hidden}").each do |link|
              link.role = "other"
              link.unseen = true
            end
          both(found, addresses(other.to_s) + silent)
        end

        # Addresses in angle brackets in one piece.
        def whole(text)
          text.gsub(BRACKETED) { |found| found.match?(/\s/) ? found.gsub(/\s+/, "") : found }
        end

        # Does an address end where its line was wrapped, with what may be its rest on the next?
        def cut?(before, url, after)
          line = "#{before[/[^\n]*\z/]}#{url}"
          line.length >= WRAPPED && after.match?(/\A\n/) && after[/\A\n([^\n]*)/, 1].match?(REST)
        end

        # The one link to approve with, or nil where that isn't plain.
        def to_approve(links)
          urls = links.select { |l| l.role == "approve" }.map(&:url).uniq
          urls.one? ? urls.first : nil
        end

        def addresses(text)
          pieces(text).grep(Array).first(MOST).map { |url, words| link(url, words, "", "") }
        end

        # Links of the other form that are not in this one, too.
        def both(found, more)
          known = found.to_set(&:url)
          (found + more.reject { |l| known.include?(l.url) }).uniq { |l| [l.url, l.role, l.words] }
        end

        # The text in pieces: Strings, and [url, words] for links.
        def pieces(text)
          marked = text.split(/(#{Marks::MARK})/o, -1)
          out = []
          until marked.empty?
            out.concat(bare(marked.shift))
            _, url, words = marked.shift(3)
            out << [url, words, words.strip.empty?] if url
          end
          out
        end

        # Only words that hold a sign of an address are looked at, each with the sign before it.
        def bare(text)
          out = []
          place = 0
          each_word(text) do |from, to|
            while (match = BARE.match(text[[from - 1, 0].max...to], from.zero? ? 0 : 1))
              begins = [from - 1, 0].max + match.begin(0)
              url = match[0].sub(TAIL, "")
              out.push(text[place...begins], [url, ""]) if begins >= place
              from = place = begins + [url.length, 1].max
            end
          end
          out << text[place..]
        end

        def each_word(text)
          at = 0
          while (match = WORD.match(text, at))
            at = match.end(0)
            yield match.begin(0), at if match[0].match?(SIGN)
          end
        end

        # At most so many.
        def in_block(block, block_before, most)
          list = pieces(block)
          places = list.each_index.lazy.select { |i| list[i].is_a?(Array) }
          places.first(most).map { |i| at(list, i, block_before) }
        end

        # The link at a place, with the words around it.
        def at(list, index, block_before)
          url, words, bare = list[index]
          before = text_before(list, index)
          before = block_before.gsub(Marks::MARK, "") if before.strip.empty? && index <= 1 &&
            bare(block_before).one?
          after = list[index + 1].is_a?(String) ? list[index + 1] : ""
          found = link(url, words, before, after)
          found.unseen = bare == true
          found.role = "other" if words.empty? && cut?(before, url, after)
          found
        end

        def text_before(list, index)
          start = index
          start -= 1 while start.positive? && list[start - 1].is_a?(String)
          list[start...index].join
        end

        def link(url, words, before, after)
          read = Url.read(url)
          beside = beside(before, after)
          role =
            role(Languages.says(words), near(before, after, words), Languages.says(in_path(url)))
          Link.new(
            url: url,
            words: said(words, beside),
            role: role,
            host: read.host,
            odd: read.odd,
            leads: read.leads,
            shown: shown(words, read.host)
          )
        end

        # What its label, the line beside it and its path say, together: approve only where one says
        # so and none the contrary.
        def role(label, line, path)
          said = [label, line, path].compact
          return "approve" if said.any? && said.all?("approve")

          # words of its own that say both, accept and stay, never approve
          own = label || line
          own == "decline" || label == :both || said == ["decline"] ? "decline" : "other"
        end

        # What the words around say: those before where they are a label, those behind where they go
        # on, else both must not differ. A sentence that ended before a link with words of its own
        # is not about it.
        def near(before, after, words)
          line = before.strip.split(SENTENCE).last.to_s
          line = "" if !words.strip.empty? && line.match?(/[.!?。]\z/)
          rest = after.lines.first.to_s.split(SENTENCE).first.to_s
          return Languages.says(line) if line.match?(LABELLED) && Languages.says(line)
          return Languages.says(rest) if rest.match?(FOLLOWS) && Languages.says(rest)
          return Languages.says(line) unless words.strip.empty?

          told = [line, rest].map { |t| Languages.says(t) }.compact.uniq
          told.one? ? told.first : (:both if told.any?)
        end

        # The words of a path and query: parts between signs, and humps.
        def in_path(url)
          url
            .sub(%r{\A[a-z]*:?[/\\]*[^/\\?#]*}i, "")
            .gsub(/([a-z])([A-Z])/, '\1 \2')
            .gsub(/[^\p{L}]+/, " ")
        end

        def beside(before, after)
          line = before.strip.lines.last.to_s.strip
          line.empty? ? after.lines.first.to_s.strip : line
        end

        def said(words, beside)
          own = words.gsub(/\s+/, " ").strip
          (own.empty? || own.match?(HOST) ? beside : own)[0, 200]
        end

        # The other host that the words of a link show.
        def shown(words, host)
          seen = words[HOST, 1] or return
          return if seen.match?(FILES)

          named = Core::Names::HostName.ascii(seen)
          named unless named.nil? || host.nil? || Hosts.aligned?(named, host)
        end
        private_class_method :other_form,
                             :with_unseen,
                             :at,
                             :text_before,
                             :whole,
                             :cut?,
                             :both,
                             :addresses,
                             :pieces,
                             :bare,
                             :each_word,
                             :in_block,
                             :link,
                             :role,
                             :near,
                             :in_path,
                             :beside,
                             :said,
                             :shown
      end
    end
  end
end
