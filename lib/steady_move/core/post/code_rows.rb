# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Codes in lists and tables: a name and its code on one line, in cells of any kind. A table
      # counts under a head that names codes themselves, a list below a line that does; what stands
      # in any other is a question.
      class CodeRows
        # name: as typed; value: the code, or nil where it is a question; pieces: what may be (a
        # part of) it.
        Row = Struct.new(:name, :value, :pieces, keyword_init: true)
        # A table's head: the columns of names and of codes, how many there are, and what parts
        # them.
        Head = Struct.new(:name, :code, :width, :sign)
        CELLS = [/ *\t */, / +\| +/, /\|/, /; */, /, */, / {2,}/].freeze
        HEAD_NAME =
          /\b(?:domains?|names?|dominios?|domínios?|domaines?|domein(?:en|naam)?|domen[ay]|nome|nom|
             nombre|nazwa)\b|Domain-?name|ドメイン/ix
        # A cell that names codes and nothing of them.
        HEAD_CODE =
          /\A\W*(?:(?:domain|transfer|your|the|new)[\ -]+)*(?:#{CodeLabels::STRONG}|codes?|keys?|
            auth|
             schlüssel|clé|clave|chiave|chave|klucz|kod|código|codice|コード|キー|passwords?|tokens?)
             \W*(?:\([^)]*\))?\W*\z/ix
        HOST =
          '(?:[\p{L}\p{N}](?:(?-i:[\p{L}\p{N}-])*[\p{L}\p{N}])?\.)+[\p{L}&&[^\p{Han}\p{Hiragana}' \
            '\p{Katakana}]]{2,}'
        LINE =
          /\A[\ \t>*•·–-]*(?:\d+[.)]\s+)?["“'‹<]?(#{HOST})["”'›>]?
                (?:\s*[:,;=\t|：]\s*|\s+(?:-|–|—|→|=>|->)\s+|[\ ]{2,}|[\ ])(\S.*?)\s*\z/x
        BEHIND =
          /\A(?:\(.*\)|[,;–-]?\s*(?:valid|expires?|until|gültig|bis|valable|válido|geldig|
            ważny)\b.*)\z/ix
        # Lines above a list that may lead to it.
        ABOVE = 6
        # Words behind a name that may be a code.
        WORDS_MOST = 4

        # lines: [String]. Returns [[Row], the indexes of the lines that were used up (a Set)].
        def self.read(lines) = new(lines).read

        def initialize(lines)
          @lines = lines
          @used = Set.new
        end

        # As self.read.
        def read
          rows = tables
          @lines.each_index do |i|
            next if @used.include?(i)

            row = listed(i) || stacked(i) or next
            rows << row
            @used << i
          end
          [rows, @used]
        end

        private

        # A name alone on its line, and its code alone on the next.
        def stacked(index)
          host = @lines[index][/\A[ \t>*•·–-]*(#{HOST})[ :：]*\z/o, 1] or return
          code = @lines[index + 1].to_s.strip
          return unless code.match?(/\A\S+\z/) && CodeShape.plain?(code)

          @used << (index + 1)
          led?(index) ? Row.new(name: host, value: code, pieces: [code]) : asked(host, code)
        end

        # A head that names both columns, and the rows below it.
        def tables
          @lines.each_index.flat_map do |i|
            head = @used.include?(i) ? nil : head(@lines[i])
            head ? below(i, head) : []
          end
        end

        def head(line)
          CELLS.each do |split|
            cells = cells(line, split)
            next unless cells.size.between?(2, 8) && cells.all? { |c| c.length <= 40 }

            name = cells.index { |c| c.match?(HEAD_NAME) }
            code = cells.rindex { |c| c.match?(HEAD_CODE) && CodeLabels.names_codes?(c) }
            return Head.new(name, code, cells.size, split) if name && code && name != code
          end
          nil
        end

        def below(index, head)
          @used << index
          rows = []
          ((index + 1)...@lines.size).each do |i|
            line = @lines[i]
            break if line.strip.empty? && rows.any?
            next @used << i if line.match?(/\A[\s|+:=-]*\z/)

            row = row(line, head) or break
            rows << row
            @used << i
          end
          rows
        end

        def row(line, head)
          cells = row_cells(line, head)
          host = cells[head.name].to_s[/#{HOST}/o]
          return if host.nil? || cells.size < 2
          return asked(host, *odd(cells, head)) unless cells.size == head.width

          valued(host, cells[head.code].to_s)
        end

        # A line with more cells than its head has: what may be the code, and each cell for itself.
        def odd(cells, head)
          further = cells.size - head.width
          sign = { CELLS[2] => "|", CELLS[3] => ";", CELLS[4] => "," }[head.sign]
          whole = cells[head.code..(head.code + further)].join(sign) if sign && further.positive?
          [whole, *(cells - [cells[head.name]])].compact
        end

        # Of two columns the second is all the rest of the line.
        def row_cells(line, head)
          cells = cells(line, head.sign)
          return cells unless head.width == 2 && cells.size > 2 && head.name.zero?

          whole(line).sub(head.sign, "\u0000").split("\u0000").map(&:strip)
        end

        def listed(index)
          host, value, single = name_and_rest(@lines[index])
          return if host.nil? || (single && value.match?(/\s/))

          row = valued(host, value)
          return(row if row.pieces.any?) unless row.value
          return if single && !CodeShape.mixed?(row.value)

          answered?(index, row) ? row : asked(host, row.value)
        end

        # [name, what stands behind it, is a single blank between them], or nil.
        def name_and_rest(line)
          match = LINE.match(line) or return
          host, value = match.captures
          return if value.start_with?("//")

          [host, value, match[0].match?(/#{Regexp.escape(host)}["”'›>]? \S/)]
        end

        def answered?(index, row) = led?(index) && !row.value.include?("|")

        # Is it in a list below a line that names codes?
        def led?(index)
          above = (index - 1).downto([index - 200, 0].max)
          line = above.lazy.reject { |i| passed_over?(i) }.first
          !line.nil? && CodeLabels.names_codes?(@lines[line])
        end

        def passed_over?(index)
          line = @lines[index]
          @used.include?(index) || line.strip.empty? || line.match?(LINE)
        end

        def valued(host, text)
          text = text.strip
          quoted = CodeShape.quoted(text)
          if quoted && CodeShape.possible?(quoted.delete(" "))
            return Row.new(name: host, value: quoted, pieces: [quoted])
          end

          token = text[/\A\S+/].to_s
          rest = text[token.length..].to_s.strip
          return single(host, token) if rest.empty?
          return single(host, token) if rest.match?(BEHIND) && CodeShape.plain?(token)

          pieces = text.split
          worded = pieces.count { |piece| CodeShape.word?(piece) } * 2 > pieces.size
          pieces.size > WORDS_MOST || worded ? asked(host) : asked(host, text, *pieces)
        end

        def single(host, token)
          value = token.sub(/[,;]\z/, "")
          return asked(host) unless CodeShape.possible?(value)
          return asked(host, value) if !CodeShape.sure?(value) || CodeShape.worded?(value)

          Row.new(name: host, value: value, pieces: [value])
        end

        def asked(host, *pieces) = Row.new(name: host, value: nil, pieces: pieces)

        def whole(line) = line.strip.gsub(/\A\|\s*|\s*\|\z/, "")
        def cells(line, split) = whole(line).split(split).map(&:strip)
      end
    end
  end
end
