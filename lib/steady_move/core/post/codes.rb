# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Authorization codes in a message's text; taken as they are, never guessed between two.
      module Codes
        LEAD = /(?:authori[sz]ation|auth|transfer|epp)[ -]?(?:code|key|info(?:rmation)?)
                [^\n:=]{0,60}?(?:\bis\b:?|[:=])[ \t]*/ix
        LEAD_WORDS = /(?:authori[sz]ation|auth|transfer|epp)[ -]?(?:code|key|info)/i
        LINE = /^[ \t>]*([[:alnum:]][[:alnum:].-]*\.[[:alnum:]-]+)[ \t]*[:,;=\t][ \t]*(\S[^\r\n]*?)[ \t]*$/
        WRAP = 60

        module_function

        # Returns [code or nil, Phrases].
        #   Post::Codes.find("The authorization code is: Ab3x-9kQ").first # => "Ab3x-9kQ"
        def find(text)
          found = all(text)
          return [nil, []] if found.empty?
          return [nil, [Phrase.of("post.several_codes", count: found.size)]] if found.size > 1

          code, joined = found.first
          [code, joined ? [Phrase.of("post.code_joined")] : []]
        end

        # Codes in a list: lines that begin with a held name, then colon, comma, semicolon, equals sign or tab; all
        # behind is the code.
        # names: [DomainName]. Returns {A-label text => code}; a name that has two different ones is left out.
        def listed(text, names)
          found = lines_with_codes(text).filter_map do |typed, code|
            name = names.find { |d| [d.ascii, d.unicode].include?(typed.downcase) }
            name && [name.ascii, code]
          end.uniq
          found.group_by(&:first).select { |_, list| list.size == 1 }.to_h { |name, list| [name, list.first.last] }
        end

        # The text with every code in it put out of sight, for keeping and showing.
        def masked(text)
          listed = lines_with_codes(text).map { |_, code| [code, false] }
          listed = [] unless listed.size > 1 || text.match?(LEAD_WORDS)
          out = (all(text) + listed).uniq.flat_map { |code, joined| joined ? pieces(text, code) : [code] }
          out.reduce(text) { |masked, piece| masked.gsub(piece, Core::Codes::Code.mask(piece)) }
        end

        def lines_with_codes(text) = text.scan(LINE).reject { |_, code| code.start_with?("//") }

        def all(text)
          text.enum_for(:scan, LEAD).map { Regexp.last_match }.filter_map { |m| behind(m.post_match) }.uniq(&:first)
        end

        # The two lines that a broken code stands on.
        def pieces(text, code) = text.lines(chomp: true).map(&:strip).select { |l| l.length > 3 && code.include?(l) }

        # What stands behind the lead: on the same line or alone on the next. [code, was it put together]
        def behind(rest)
          lines = rest.lines(chomp: true)
          lines.shift while lines.first&.strip&.empty? && lines.size > 1
          first = lines.first.to_s.strip
          return if first.empty?

          quoted = first.match(/\A(?:“([^”]+)”|"(.+)"|'(.+)')[.,]?\z/) { |m| m.captures.compact.first }
          return [quoted, false] if quoted

          token = first[/\A\S+/]
          whole = wrapped?(first, token, lines[1])
          [whole ? token + lines[1].strip : token, whole]
        end

        # A code that fills its line to where mail is wrapped, with one more piece alone on the next line.
        def wrapped?(first, token, following)
          token == first && token.length >= WRAP && following.to_s.match?(/\A\S{1,#{WRAP}}\s*\z/) &&
            token.length + following.strip.length <= 128
        end
        private_class_method :lines_with_codes, :all, :pieces, :behind, :wrapped?
      end
    end
  end
end
