# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Codes in lists and tables: a name and its code on one line, in cells of any kind.
      module CodeRows
        # name: as typed; value: the code, or nil where it is a question; pieces: what may be (a
        # part of) it.
        Row = Struct.new(:name, :value, :pieces, keyword_init: true)
        CELLS = [/ *\t */, / *\| */, /; */, /, */, / {2,}/].freeze
        HEAD_NAME =
          /\b(?:domains?|names?|dominios?|domínios?|domaines?|domein(?:en|naam)?|domen[ay]|nome|nom|
                     nombre|nazwa)\b|
                     Domain-?name|ドメイン/ix
        HEAD_CODE =
          /code|key|auth|schlüssel|clé|clave|chiave|chave|klucz|kod|código|codice|コード|キー|password|
            token/ix
        HOST =
          '(?:[\p{L}\p{N}](?:(?-i:[\p{L}\p{N}-])*[\p{L}\p{N}])?\.)+[\p{L}&&[^\p{Han}\p{Hiragana}' \
            '\p{Katakana}]]{2,}'
        LINE =
          /\A[\ \t>*•·–-]*(?:\d+[.)]\s+)?["“'‹<]?(#{HOST})["”'›>]?
                (?:\s*[:,;=\t|：]\s*|\s+(?:-|–|—|→|=>|->)\s+|[\ ]{2,}|[\ ])(\S.*?)\s*\z/x
        BEHIND =
          /\A(?:\(.*\)|[,;–-]?\s*(?:valid|expires?|until|gültig|bis|valable|válido|geldig|
            ważny)\b.*)\z/ix

        module_function

        # lines: [String]. Returns [[Row], the indexes of the lines that were used up (a Set)].
        def read(lines)
          used = Set.new
          rows = tables(lines, used)
          lines.each_with_index do |line, i|
            next if used.include?(i)

            row = listed(line) || stacked(lines, i, used) or next
            rows << row
            used << i
          end
          [rows, used]
        end

        # A name alone on its line, and its code alone on the next.
        def stacked(lines, index, used)
          host = lines[index][/\A[ \t>*•·–-]*(#{HOST})[ :：]*\z/o, 1] or return
          code = lines[index + 1].to_s.strip
          return unless code.match?(/\A\S+\z/) && CodeShape.plain?(code)

          used << (index + 1)
          Row.new(name: host, value: code, pieces: [code])
        end

        # A head that names both columns, and the rows below it.
        def tables(lines, used)
          lines.each_index.flat_map do |i|
            next [] if used.include?(i)

            cells, split = head(lines[i])
            cells ? below(lines, i, cells, split, used) : []
          end
        end

        def head(line)
          CELLS.each do |split|
            cells = cells(line, split)
            next if cells.size < 2 || cells.size > 8 || cells.any? { |c| c.length > 40 }

            name = cells.index { |c| c.match?(HEAD_NAME) }
            code = cells.rindex { |c| c.match?(HEAD_CODE) }
            return [name, code, cells.size], split if name && code && name != code
          end
          nil
        end

        def below(lines, index, columns, split, used)
          used << index
          rows = []
          ((index + 1)...lines.size).each do |i|
            line = lines[i]
            next used << i if line.match?(/\A[\s|+:=-]*\z/) && !line.strip.empty?
            break if line.strip.empty? && rows.any?
            next if line.strip.empty?

            row = row(line, columns, split) or break
            rows << row
            used << i
          end
          rows
        end

        def row(line, columns, split)
          name, code, size = columns
          cells = cells(line, split)
          cells = line.strip.sub(split, "\u0000").split("\u0000") if size == 2 && cells.size > 2 &&
            name.zero?
          host = cells[name].to_s[/#{HOST}/]
          return if host.nil? || cells.size < 2
          unless cells.size == size
            return Row.new(name: host, value: nil, pieces: cells - [cells[name]])
          end

          valued(host, cells[code].to_s)
        end

        def listed(line)
          match = LINE.match(line) or return
          host, value = match.captures
          single = match[0].match?(/#{Regexp.escape(host)}["”'›>]? \S/)
          return if value.start_with?("//") || (single && value.match?(/\s/))

          row = valued(host, value)
          row if row.value ? (!single || CodeShape.mixed?(row.value)) : row.pieces.any?
        end

        def valued(host, text)
          text = text.strip
          quoted = CodeShape.quoted(text)
          if quoted && CodeShape.possible?(quoted.delete(" "))
            return Row.new(name: host, value: quoted, pieces: [quoted])
          end

          token = text[/\A\S+/].to_s
          rest = text[token.length..].to_s.strip
          if rest.empty? || (rest.match?(BEHIND) && CodeShape.plain?(token))
            value = token.sub(/[,;]\z/, "") if CodeShape.possible?(token)
            return Row.new(name: host, value: value, pieces: [value].compact)
          end
          pieces = text.split
          odd =
            pieces.size > 4 || pieces.any? { |p| CodeShape.word?(p) } ||
              (pieces.size > 2 && pieces.none? { |p| CodeShape.mixed?(p) })
          Row.new(name: host, value: nil, pieces: odd ? [] : [text, *pieces])
        end

        def cells(line, split) = line.strip.gsub(/\A\|\s*|\s*\|\z/, "").split(split).map(&:strip)
        private_class_method :tables, :head, :below, :row, :listed, :stacked, :valued, :cells
      end
    end
  end
end
