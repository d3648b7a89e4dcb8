# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Codes behind their label: on its line, in the next cell, or alone on the line below.
      class CodeLabels
        # value: the code, or nil where it is a question; pieces: what may be (a part of) it; line:
        # index; about: the words between the label and the code, and those before it; joined: it
        # was broken over two lines.
        Hit = Struct.new(:value, :pieces, :line, :about, :joined, keyword_init: true)
        # A label on its line. begins, ends: its place there.
        Label =
          Struct.new(:index, :line, :begins, :ends) do
            def before = line[0...begins]
            def rest = line[ends..]
          end
        STRONG = /(?:#{Languages::ALL.map { |t| "(?:#{t.codes})" }.join("|")})/i
        # Words that make a code or key another one.
        OTHERS =
          /(?:promo(?:tion)?|discount|voucher|coupon|post(?:al)?|zip|country|security|verification|
            order|ticket|confirmation|customer|access|error|status|source|qr|bar|dress|tax|vat|sort|
            bank|reference|one-time|area|log-?in|api|product|tracking|activation|reset|client|
            dial(?:ling)?|colou?r)[\ -]?\z/ix
        # Behind a label: it speaks of what became of the code, not of the code.
        OF_IT = Regexp.union(Languages::ALL.filter_map(&:of_codes))
        # Half of a code is none.
        HALF = Regexp.union(Languages::ALL.filter_map(&:halves))
        GENERIC = /(?<![\p{L}-])(?:codes?|keys?|epp|passwords?)(?![\p{L}-])/i
        SIGN = /[:=：⇒→]|=>|->|\t|\A\||(?<=\s)\||\|(?=\s)/
        VERB = /\b(?:is|was|reads|lautet|ist|est|es|è|é|to)\b|(?:brzmi|jest)|は/
        # What may part a label from its code; the plainer first.
        SIGNS = [SIGN, /(?:\s|(?=は))#{VERB}\s*/, / [-–—] /, / {2,}/].freeze
        FARTHEST = 90
        # Characters behind a sign that are looked at.
        LOOKED_AT = 300
        # Signs behind a label that are looked at.
        SIGNS_MOST = 6
        # Lines with labels that are looked at.
        LINES = 1500
        # Labels in one line that are looked at.
        LABELS = 5
        # A code before its label, or right behind it.
        AHEAD =
          /(\S+)\s+(?:as|is|for|ist|als|comme|como|come)\s+(?:the|your|its|a|der|le|el|il|de|
            o)\s+(?:\S+\s+)?\z/ix
        WRAP = 60
        # A line no longer than this may be the title of what stands below it.
        TITLE = 60
        LEADS_ON =
          /[:：]\s*\z|(?:below|follows|following|unten|folgt|ci-dessous|abajo|seguito|hieronder|
            abaixo|poniżej)/ix

        # lines: [String]; skip: indexes that are used up. Returns [Hit].
        def self.read(lines, skip) = new(lines, skip).hits

        # Does any line speak of a code, if only as “code”?
        def self.any?(lines)
          labels = new(lines, [])
          lines.each_index.any? { |i| labels.labels(i, strong: false).any? }
        end

        # Does a line name codes themselves, not what became of them?
        def self.names_codes?(line)
          match = line.match(STRONG) || line.match(GENERIC) or return false
          !match.post_match.match?(OF_IT) && !match.pre_match.match?(OTHERS)
        end

        def initialize(lines, skip)
          @lines = lines
          @skip = skip
          @strong = lines.any? { |l| l.match?(STRONG) }
        end

        # [Hit], in the order of their lines.
        def hits
          labelled = @lines.each_index.lazy.reject { |i| @skip.include?(i) || labels(i).empty? }
          labelled.first(LINES).flat_map { |i| on_line(i) }
        end

        # The labels of a line, the last first; where none says what it is for, “code” alone counts.
        def labels(index, strong: @strong)
          line = @lines[index]
          found =
            [STRONG, GENERIC].flat_map do |label|
                line.enum_for(:scan, label).map { Regexp.last_match }
              end
              .uniq { |m| m.end(0) }
              .reject { |m| line[[m.begin(0) - 30, 0].max...m.begin(0)].match?(OTHERS) }
          found = [] unless strong || line.match?(/[:=：⇒→\t|]|\bis\b|below| {2}/)
          found.first(LABELS).map { |m| Label.new(index, line, m.begin(0), m.end(0)) }.reverse
        end

        private

        def on_line(index)
          found = labels(index)
          last = found.filter_map { |label| hit(label) }.first(1)
          earlier = earlier(found)
          return last if earlier.empty?

          line = @lines[index]
          last.each { |h| h.about = line[found.first.begins..].sub(h.value.to_s, "") }
          (earlier + last).uniq(&:value)
        end

        # Where a line has several labels, each with its own code: those before the last.
        def earlier(labels)
          labels
            .each_cons(2)
            .filter_map do |following, label|
              own = label.line[label.ends...following.begins]
              own = own.sub(/[;,.]?\s*(?:(?-i:\p{L}){1,3}\s*)?\z/, "")
              found = beside(label, own)
              found if found&.value && CodeShape.plain?(found.value)
            end
        end

        def hit(label)
          return if label.rest.match?(OF_IT)

          found = beside(label, label.rest) || below(label) || around(label) or return
          return question(found) if found.about.to_s.match?(HALF)

          taken?(found) ? found : lone_question(found, label)
        end

        def taken?(hit) = @strong || !hit.value || CodeShape.plain?(hit.value)

        # On a line of its own below “code:”, it may be one all the same.
        def lone_question(hit, label) = hit.line > label.index ? question(hit) : nil

        def question(hit)
          Hit.new(value: nil, pieces: hit.pieces, line: hit.line, about: hit.about)
        end

        def beside(label, rest)
          signs =
            SIGNS
              .lazy
              .flat_map { |sign| each_match(rest, sign) }
              .take_while { |m| m.begin(0) <= FARTHEST }
              .first(SIGNS_MOST)
          signs.lazy.filter_map { |match| behind(label, match) }.first
        end

        # One match after the other, as they are asked for.
        def each_match(text, pattern)
          match = text.match(pattern)
          Enumerator
            .new do |found|
              while match
                found << match
                match = text.match(pattern, [match.end(0), match.begin(0) + 1].max)
              end
            end
            .lazy
        end

        def behind(label, match)
          value = value(label, match)
          return if value.none?

          code, joined = value.whole && value.code ? joined(label.index, value.code) : value.code
          Hit.new(
            value: code,
            pieces: value.pieces + [code].compact,
            line: label.index,
            about: "#{label.before} #{label.line[label.begins...label.ends]} #{match.pre_match}",
            joined: joined == true
          )
        end

        def value(label, match)
          text = match.post_match.strip[0, LOOKED_AT]
          signed = match[0].match?(SIGN) || match[0].match?(/\A {2}/)
          strong = signed || is?(label, match, text)
          CodeValue.new(text, strong: strong, starts: signed && starts?(label, match))
        end

        # “Your authorization code is …”, and nothing more.
        def is?(label, match, text)
          named = label.line[label.begins...label.ends].match?(/\A#{STRONG}\z/o)
          named && match[0].match?(VERB) && text.split.size <= CodeValue::MOST_OF_PHRASE &&
            !text.match?(/[.!?]\s|#{CodeShape::OTHER_SCRIPT}/o)
        end

        # Does the label begin its line, with a sign right behind it?
        def starts?(label, match)
          label.before.match?(/\A[\s>*•|-]*\z/) && !match.pre_match.match?(/#{VERB}\s*\z/o)
        end

        def around(label)
          token = label.before[AHEAD, 1] || label.rest[/\A\s+(\S+)/, 1] or return
          code = CodeShape.quoted(token) || token.sub(/[.,;:]\z/, "")
          return unless CodeShape.plain?(code) && code.match?(/\d/)

          about = "#{label.before} #{label.rest}"
          Hit.new(value: code, pieces: [code], line: label.index, about: about)
        end

        # Alone on the next line that holds anything.
        def below(label)
          at = ((label.index + 1)...@lines.size).find { |i| !@lines[i].strip.empty? } or return
          return if @skip.include?(at) || @lines[at].match?(STRONG) || !leads?(label, at)

          text = @lines[at].strip
          quoted = CodeShape.quoted(text)
          return found(quoted, at, label) if quoted && CodeShape.possible?(quoted.delete(" "))
          return blank_inside(text, at, label) if text.match?(/\s/)

          alone(text, at, label)
        end

        def leads?(label, at)
          line = label.line
          title = line.length <= TITLE && !line.match?(/[.!?。]\s*\z/)
          line.match?(LEADS_ON) || title || at == label.index + 1
        end

        def alone(text, at, label)
          announced = label.line.match?(/[:：]\s*\z|#{VERB}\s*\z/o)
          if announced ? CodeShape.sure?(text) : CodeShape.plain?(text)
            whole, on = joined(at, text)
            return found(whole, at, label, joined: on == true)
          end
          return unless announced && CodeShape.possible?(text)

          Hit.new(value: nil, pieces: [text], line: at, about: label.line)
        end

        def found(code, at, label, joined: false)
          Hit.new(value: code, pieces: [code], line: at, about: label.line, joined: joined)
        end

        def blank_inside(text, at, label)
          pieces = text.split(/[ \t|]+/)
          return unless CodeValue.groups?(pieces)

          Hit.new(value: nil, pieces: [text, *pieces], line: at, about: label.line)
        end

        # A code that fills its line to where mail is wrapped, with one more piece alone on the
        # next.
        def joined(index, code)
          following = @lines[index + 1].to_s.strip
          whole = code.length + following.length <= CodeShape::MOST
          return code unless code.length >= WRAP && whole
          return code unless following.match?(/\A\S{1,#{WRAP}}\z/o)

          [code + following, true]
        end
      end
    end
  end
end
