# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Authorization codes in a message's text; taken as they are, never guessed between two.
      module Codes
        LEAD = /(?:authori[sz]ation|auth|transfer|epp)[ -]?(?:code|key|info(?:rmation)?)[^\n:=]{0,60}?(?:\bis\b:?|[:=])[ \t]*/i
        WRAP = 60

        module_function

        # Returns [code or nil, sentences].
        def find(text)
          found = text.enum_for(:scan, LEAD).filter_map { behind(Regexp.last_match.post_match) }.uniq(&:first)
          return [nil, []] if found.empty?
          return [nil, ["#{found.size} different codes stand in it; none is taken."]] if found.size > 1

          code, joined = found.first
          [code, joined ? ["The code was broken over two lines and was put together."] : []]
        end

        # What stands behind the lead: on the same line or alone on the next. [code, was it put together]
        def behind(rest)
          lines = rest.lines(chomp: true)
          lines.shift while lines.first&.strip&.empty? && lines.size > 1
          first = lines.first.to_s.strip
          return if first.empty?

          quoted = first[/\A(?:“([^”]+)”|"(.+)"|'(.+)')[.,]?\z/] && (Regexp.last_match(1) || Regexp.last_match(2) || Regexp.last_match(3))
          return [quoted, false] if quoted

          token = first[/\A\S+/]
          whole = wrapped?(first, token, lines[1])
          [whole ? token + lines[1].strip : token, whole]
        end

        # A code that fills its line to where mail is wrapped, with one more piece alone on the next line.
        def wrapped?(first, token, following)
          token == first && token.length >= WRAP && following.to_s.match?(/\A\S{1,#{WRAP}}\s*\z/) && token.length + following.strip.length <= 128
        end
        private_class_method :behind, :wrapped?
      end
    end
  end
end
