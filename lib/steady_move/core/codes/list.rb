# frozen_string_literal: true

module SteadyMove
  module Core
    module Codes
      # Lists of “name, code” lines (rules of the job §7; quoting as in RFC 4180). Comma, semicolon, tab or blanks stand between;
      # the name ends at the first of them, all the rest is the code, taken as it is. What could be read in two ways is never guessed.
      module List
        # number: of the line, from 1; name: DomainName and code: String, or error: a sentence; warnings: sentences.
        Line = Struct.new(:number, :name, :code, :warnings, :error, keyword_init: true)
        class Unclear < StandardError
        end

        NAME = /\A("(?:[^"]|"")*"|[^,;\t "]+)/
        QUOTED = /\A"(?:[^"]|"")*"\z/

        module_function

        # text: the list; suffixes: of several labels, as Rulebook#deep_suffixes. Returns [Line]; empty lines and those that begin with
        # “#” are left out.
        def read(text, suffixes: [])
          lines = text.each_line.with_index(1).filter_map do |line, number|
            line = line.chomp.delete_prefix("\uFEFF")
            read_line(line, number, suffixes) unless line.strip.empty? || line.start_with?("#")
          end
          compare(lines)
        end

        def read_line(line, number, suffixes)
          typed, rest = apart(line)
          name = name_in(typed, suffixes)
          code = code_in(rest)
          Line.new(number: number, name: name, code: code, warnings: Code.warnings(code))
        rescue Unclear, Names::DomainName::Invalid => e
          Line.new(number: number, warnings: [], error: e.message)
        end

        # The line at its first separator: [what stands before, all behind].
        def apart(line)
          typed = line[NAME] or raise Unclear, "no domain name begins the line"
          behind = line[typed.length..]
          raise Unclear, "no code stands behind the name" if behind.strip.empty?

          rest = behind.match?(/\A[,;]/) ? behind[1..] : behind.sub(/\A[ \t]+/, "")
          raise Unclear, "no code stands behind the name" if rest.empty? || rest.strip.empty?
          raise Unclear, "a blank and then “#{rest[0]}” stand behind the name: is “#{rest[0]}” a part of the code?" if behind.match?(/\A[ \t]+[,;]/)

          [unquoted(typed), rest]
        end

        def code_in(rest)
          return unquoted(rest) if rest.match?(QUOTED)
          raise Unclear, "the code begins with a quotation mark that does not close it: write it in quotation marks, those within doubled" if rest.start_with?('"')

          rest
        end

        def unquoted(text) = text.match?(QUOTED) ? text[1..-2].gsub('""', '"') : text

        def name_in(typed, suffixes)
          name = Names::DomainName.parse(typed, suffixes: suffixes)
          same = Names::DomainName.parse("x.#{typed.strip.delete_suffix('.')}", suffixes: suffixes).ascii == name.ascii && [name.ascii, name.unicode].include?(typed.strip.downcase.delete_suffix("."))
          raise Unclear, "“#{typed}” is not the name itself; is #{name.unicode} meant?" unless same

          name
        end

        # The same name again: with the same code it is said, with another neither is taken.
        def compare(lines)
          lines.select(&:name).group_by(&:name).each_value do |same|
            next if same.one?

            numbers = same.map(&:number).join(" and ")
            if same.map(&:code).uniq.one? then same.drop(1).each { |l| l.warnings += ["It stands on lines #{numbers}."] }
            else same.each { |l| l.error = "Different codes for #{l.name} stand on lines #{numbers}." and l.name = l.code = nil }
            end
          end
          lines
        end
        private_class_method :read_line, :apart, :code_in, :unquoted, :name_in, :compare
      end
    end
  end
end
