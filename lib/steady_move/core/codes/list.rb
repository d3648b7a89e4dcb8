# frozen_string_literal: true

module SteadyMove
  module Core
    module Codes
      # Lists of “name, code” lines (rules of the job §7; quoting as in RFC 4180). Comma, semicolon,
      # tab or blanks stand between; the name ends at the first of them, all the rest is the code,
      # taken as it is. A head says in which columns they stand (Table). What could be read in two
      # ways is never guessed.
      module List
        # number: of the line, from 1; name: DomainName and code: String, or error: Phrase, with the
        # name where that is certain; warnings: Phrases.
        Line = Struct.new(:number, :name, :code, :warnings, :error, keyword_init: true)

        # A line that could be read in two ways, or in none.
        class Unclear < StandardError
          attr_reader :phrase

          def initialize(key, **values)
            @phrase = Phrase.of("codes.unclear.#{key}", **values)
            super(@phrase.key)
          end
        end

        NAME = /\A("(?:[^"]|"")*"|[^,;\t "]+)/
        # Line numbers that a sentence names.
        SHOWN = 8
        QUOTED = /\A"(?:[^"]|"")*"\z/

        module_function

        # text: the list; suffixes: of several labels, as Rulebook#deep_suffixes. Returns [Line];
        # empty lines and those that begin with “#” are left out.
        #   Codes::List.read("tide.example,Ab3d Ef9k").first.code # => "Ab3d Ef9k"
        def read(text, suffixes: [])
          lines = numbered(text)
          table = Table.headed(lines)
          if table
            read = lines.drop(1).map { |line, number| read_line(line, number, suffixes, table) }
            return compare(read)
          end

          read = lines.map { |line, number| read_line(line, number, suffixes) }
          compare(asked(lines, read))
        end

        # [[line, its number]], without empty lines and those that begin with “#”.
        def numbered(text)
          all = text.each_line.with_index(1).map { |l, i| [l.chomp.delete_prefix("\uFEFF"), i] }
          all.reject { |line, _| line.strip.empty? || line.start_with?("#") }
        end

        # Where a column looks like something else in every line, nobody can tell which is the code.
        def asked(lines, read)
          rests = lines.filter_map { |line, _| line[NAME] && line.sub(NAME, "") }
          return read unless rests.size == lines.size && Table.unheaded?(rests)

          read.each do |line|
            refuse(line, Phrase.of("codes.unclear.which_column")) unless line.error
          end
        end

        def read_line(line, number, suffixes, table = nil)
          name = nil
          typed, rest = table ? row(table, line) : apart(line)
          name = name_in(typed, suffixes)
          quoted, rest = outer(rest)
          code = code_in(rest)
          Line.new(
            number: number,
            name: name,
            code: code,
            warnings: Code.warnings(code) + [quoted].compact
          )
        rescue Unclear, Names::DomainName::Invalid => e
          Line.new(
            number: number,
            name: name || certain(line, suffixes),
            warnings: [],
            error: e.phrase
          )
        end

        def row(table, line)
          name, code = table.row(line)
          raise Unclear, :other_cells if name.nil?
          raise Unclear, :no_code if code.to_s.strip.empty?

          [name, code]
        end

        # Blanks around a code are not part of it. Returns [what is said of that or nil, the code].
        def outer(rest)
          bare = rest.strip
          bare == rest ? [nil, rest] : [Phrase.of("codes.warnings.outer_dropped"), bare]
        end

        # The name that begins a line, where nothing else could be meant by it; nil else.
        def certain(line, suffixes)
          typed = line[NAME] or return
          name_in(unquoted(typed), suffixes)
        rescue Unclear, Names::DomainName::Invalid
          nil
        end

        # The line at its first separator: [what stands before, all behind].
        def apart(line)
          typed = line[NAME] or raise Unclear, :no_name
          behind = line[typed.length..]
          raise Unclear, :no_code if behind.strip.empty?

          rest = behind.match?(/\A[,;]/) ? behind[1..] : behind.sub(/\A[ \t]+/, "")
          raise Unclear, :no_code if rest.empty? || rest.strip.empty?
          raise Unclear.new(:separator_or_code, sign: rest[0]) if behind.match?(/\A[ \t]+[,;]/)

          [unquoted(typed), rest]
        end

        def code_in(rest)
          return unquoted(rest) if rest.match?(QUOTED)
          raise Unclear, :open_quotation if rest.start_with?('"')

          rest
        end

        def unquoted(text) = text.match?(QUOTED) ? text[1..-2].gsub('""', '"') : text

        def name_in(typed, suffixes)
          name = Names::DomainName.parse(typed, suffixes: suffixes)
          bare = typed.strip.downcase.delete_suffix(".")
          below = Names::DomainName.parse("x.#{bare}", suffixes: suffixes)
          same = below.ascii == name.ascii && [name.ascii, name.unicode].include?(bare)
          raise Unclear.new(:not_the_name, typed: typed, name: name.unicode) unless same

          name
        end

        # The same name again: with the same code it is said, with another neither is taken.
        def compare(lines)
          lines
            .select { |l| l.name && l.error.nil? }
            .group_by(&:name)
            .each_value do |same|
              next if same.one?

              values = { lines: numbers(same), name: same.first.name.to_s }
              if same.map(&:code).uniq.one?
                same
                  .drop(1)
                  .each { |l| l.warnings += [Phrase.of("codes.unclear.same_twice", **values)] }
              else
                same.each { |l| refuse(l, Phrase.of("codes.unclear.different", **values)) }
              end
            end
          lines
        end

        # The first of them stand for all, so that every line's sentence stays short.
        def numbers(lines) = lines.first(SHOWN).map(&:number) + (lines.size > SHOWN ? ["…"] : [])

        def refuse(line, phrase)
          line.error = phrase
          line.code = nil
        end
        private_class_method :refuse,
                             :numbered,
                             :asked,
                             :row,
                             :read_line,
                             :outer,
                             :certain,
                             :apart,
                             :code_in,
                             :unquoted,
                             :name_in,
                             :compare,
                             :numbers
      end
    end
  end
end
