# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Codes behind their label: on its line, in the next cell, or alone on the line below.
      module CodeLabels
        # value: the code, or nil where it is a question; pieces: what may be (a part of) it; line:
        # index; about: the words between the label and the code, and those before it; joined: it
        # was broken over two lines.
        Hit = Struct.new(:value, :pieces, :line, :about, :joined, keyword_init: true)
        STRONG =
          /(?:#{
            Languages::ALL.map { |t| "(?:#{t.codes.sub("|epp|codes?|keys?)", ")")})" }.join("|")
          })/i
        # Words that make a code or key another one.
        OTHERS =
          /(?:promo(?:tion)?|discount|voucher|coupon|post(?:al)?|zip|country|security|verification|
            order|
                  ticket|
                  confirmation|customer|access|error|status|source|qr|bar|dress|tax|vat|sort|bank|
                  reference|
                  one-time|
                  area|log-?in|api|product|tracking|activation|reset|client|dial(?:ling)?|
                  colou?r)[\ -]?\z/ix
        GENERIC = /(?<![\p{L}-])(?:codes?|keys?|epp|passwords?)(?![\p{L}-])/i
        SIGN = /[:=：⇒→]|=>|->|\t|\|/
        VERB = /\b(?:is|was|reads|lautet|ist|est|es|è|é|to)\b|(?:brzmi|jest)|は/
        # What may part a label from its code; the plainer first.
        SIGNS = [SIGN, /(?:\s|(?=は))#{VERB}\s*/, / [-–—] /, / {2,}/].freeze
        FARTHEST = 90
        # Characters behind a sign that are looked at.
        LOOKED_AT = 300
        # Labels in one line that are looked at.
        LABELS = 10
        # A code before its label, or right behind it.
        AHEAD =
          /(\S+)\s+(?:as|is|for|ist|als|comme|como|come)\s+(?:the|your|its|a|der|le|el|il|de|
            o)\s+(?:\S+\s+)?\z/ix
        WRAP = 60
        # A line no longer than this may be the title of what stands below it.
        TITLE = 60
        LEADS_ON =
          /[:：]\s*\z|(?:below|follows|following|unten|folgt|ci-dessous|abajo|seguito|hieronder|
            abaixo|
                    poniżej)/ix

        module_function

        # lines: [String]; skip: indexes that are used up. Returns [Hit].
        def read(lines, skip)
          strong = lines.any? { |l| l.match?(STRONG) }
          lines.each_with_index.flat_map do |line, i|
            next [] if skip.include?(i)

            found = labels(line, strong)
            last =
              found
                .filter_map { |from, to| hit(lines, i, from, to, strong: strong, skip: skip) }
                .first(1)
            earlier = earlier(lines, i, found)
            next last if earlier.empty?

            last.each { |h| h.about = line[found.first.first..].sub(h.value.to_s, "") }
            (earlier + last).uniq(&:value)
          end
        end

        # Where a line has several labels, each with its own code: those before the last.
        def earlier(lines, index, labels)
          line = lines[index]
          labels
            .each_cons(2)
            .filter_map do |(following, _), (from, to)|
              own = line[to...following].sub(/[;,.]?\s*(?:(?-i:\p{L}){1,3}\s*)?\z/, "")
              found = beside(lines, index, line[0...from], own)
              found if found&.value && CodeShape.plain?(found.value)
            end
        end

        # Does any line speak of a code, if only as “code”?
        def any?(lines) = lines.any? { |l| labels(l, false).any? }

        # [[start, end]] of the labels in a line; where none says what it is for, “code” alone
        # counts.
        def labels(line, strong)
          found =
            [STRONG, GENERIC].flat_map do |label|
              line.enum_for(:scan, label).map { Regexp.last_match }
            end
          found =
            found
              .uniq { |m| m.end(0) }
              .reject { |m| line[[m.begin(0) - 30, 0].max...m.begin(0)].match?(OTHERS) }
          found = found.select { |_m| line.match?(/[:=：⇒→\t|]|\bis\b|below| {2}/) } unless strong
          found.first(LABELS).map { |m| [m.begin(0), m.end(0)] }.reverse
        end

        def hit(lines, index, from, to, strong:, skip:)
          line = lines[index]
          before = line[0...from]
          rest = line[to..]
          found =
            beside(lines, index, before, rest) || below(lines, index, line, skip) ||
              around(before, rest, index)
          return found if strong || found.nil? || found.value.nil? || CodeShape.plain?(found.value)

          # On a line of its own below “code:”, it may be one all the same.
          if found.line > index
            Hit.new(value: nil, pieces: found.pieces, line: found.line, about: found.about)
          end
        end

        def beside(lines, index, before, rest)
          signs =
            SIGNS
              .lazy
              .flat_map { |sign| each_match(rest, sign) }
              .take_while { |m| m.begin(0) <= FARTHEST }
          signs.filter_map { |match| behind(lines, index, before, match) }.first
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

        def behind(lines, index, before, match)
          strong = match[0].match?(SIGN) || match[0].match?(/\A {2}/)
          starts =
            before.match?(/\A[\s>*•|-]*\z/) && strong && !match.pre_match.match?(/#{VERB}\s*\z/o)
          code, pieces, place =
            value(match.post_match.strip[0, LOOKED_AT], strong: strong, whole: starts)
          code, place = joined(lines, index, code) if code && place == :end
          return if code.nil? && pieces.empty?

          Hit.new(
            value: code,
            pieces: pieces + [code].compact,
            line: index,
            about: "#{before} #{match.pre_match}",
            joined: place == true
          )
        end

        def around(before, rest, index)
          token = before[AHEAD, 1] || rest[/\A\s+(\S+)/, 1] or return
          code = CodeShape.quoted(token) || token.sub(/[.,;:]\z/, "")
          return unless CodeShape.plain?(code) && code.match?(/\d/)

          Hit.new(value: code, pieces: [code], line: index, about: "#{before} #{rest}")
        end

        # [code or nil, pieces where it is a question, :end where it fills the line]
        def value(text, strong:, whole:)
          cells = text.split(/ *[\t|] */).reject(&:empty?)
          return nil, cells, nil if cells.size > 1 && cells.count { |c| CodeShape.possible?(c) } > 1

          text = cells.first.to_s
          quoted = opening_quote(text)
          return quoted, [], nil if quoted

          token = text[/\A\S+/].to_s
          rest = text[token.length..].strip
          return last(token, strong: strong, whole: whole) if rest.empty?

          pieces = text.split
          return nil, [text, *pieces], nil if strong && groups?(pieces)

          bare = token.sub(/[.,;]\z/, "")
          [(bare if CodeShape.plain?(bare)), [], nil]
        end

        # May these be a code that is written in groups? Words are only where there are few.
        def groups?(pieces)
          return false if pieces.size > 8

          return phrase?(pieces) if pieces.none? { |p| CodeShape.mixed?(p) }

          pieces.all? do |piece|
            piece.length <= 16 && !CodeShape.word?(piece) && !piece.match?(/[.,;:!?]\z|\A\(/) &&
              (pieces.size <= 3 || !piece.match?(/\A(?-i:\p{Ll}){3,}\z/))
          end
        end

        # A few words that make no sentence: a passphrase.
        def phrase?(pieces)
          pieces.size.between?(2, 5) &&
            pieces.all? { |p| p.match?(/\A(?-i:\p{Ll}){3,12}\z/) && !CodeShape.word?(p) }
        end

        def last(token, strong:, whole:)
          bare = whole ? token : token.sub(/[.,;]\z/, "")
          good = strong ? CodeShape.possible?(bare) : CodeShape.plain?(bare)
          [(bare if good), [], :end]
        end

        def opening_quote(text)
          close = CodeShape::QUOTES[text[0]] or return
          last = close == text[0] ? text.rindex(close) : text.index(close, 1)
          inner = text[1...last] if last && last > 3
          inner if inner && CodeShape.possible?(inner.delete(" "))
        end

        # Alone on the next line that holds anything.
        def below(lines, index, line, skip)
          at = ((index + 1)...lines.size).find { |i| !lines[i].strip.empty? } or return
          return if skip.include?(at) || lines[at].match?(STRONG)

          title = line.length <= TITLE && !line.match?(/[.!?。]\s*\z/)
          return unless line.match?(LEADS_ON) || title || at == index + 1

          text = lines[at].strip
          quoted = CodeShape.quoted(text)
          if quoted && quoted.length >= 4
            return Hit.new(value: quoted, pieces: [quoted], line: at, about: line)
          end
          return blank_inside(text, at, line) if text.match?(/\s/)
          unless line.match?(/[:：]\s*\z/) ? CodeShape.possible?(text) : CodeShape.plain?(text)
            return
          end

          whole, on = joined(lines, at, text)
          Hit.new(value: whole, pieces: [whole], line: at, about: line, joined: on == true)
        end

        def blank_inside(text, index, line)
          pieces = text.split(/[ \t|]+/)
          return unless groups?(pieces)

          Hit.new(value: nil, pieces: [text, *pieces], line: index, about: line)
        end

        # A code that fills its line to where mail is wrapped, with one more piece alone on the
        # next.
        def joined(lines, index, code)
          following = lines[index + 1].to_s.strip
          unless code.length >= WRAP && following.match?(/\A\S{1,#{WRAP}}\z/) &&
                   code.length + following.length <= CodeShape::MOST
            return code, nil
          end

          [code + following, true]
        end
        private_class_method :labels,
                             :hit,
                             :earlier,
                             :beside,
                             :each_match,
                             :behind,
                             :around,
                             :value,
                             :groups?,
                             :phrase?,
                             :last,
                             :opening_quote,
                             :below,
                             :blank_inside,
                             :joined
      end
    end
  end
end
