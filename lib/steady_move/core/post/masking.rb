# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Puts out of sight whatever may be an authorization code, before a text is kept or shown.
      module Masking
        PARAMETER =
          /((?:auth[-_]?(?:info|code|key)?|epp[-_]?(?:code|key)?|transfer[-_]?(?:code|
            key))=)([^&\s#"'<>]+)/ix

        # What a code is called is none.
        LABEL = /\A\W*#{CodeLabels::STRONG}\W*\z/

        # Candidates that are looked for one by one; where there are more, every piece that could be
        # a code goes.
        MOST = 1000
        LONGEST = 300

        module_function

        # text: of a subject or a message; candidates: what was found in the whole message; speaks:
        # it is about codes.
        def mask(text, candidates, speaks:)
          joined = text.gsub(/\n[ \t>]*/, "")
          out =
            candidates
              .first(MOST)
              .sort_by { |c| -c.length }
              .reduce(text) { |t, code| hidden(t, code, joined) }
          many = candidates.size > MOST
          out = out.gsub(PARAMETER) { "#{Regexp.last_match(1)}#{sign}" }
          out.gsub(/[^\s|]+/) do |piece|
            next piece if piece.length > LONGEST || piece.match?(LABEL)

            if CodeShape.secret?(piece, speaks: speaks) || (many && CodeShape.possible?(piece))
              secret(piece)
            else
              piece
            end
          end
        end

        # Also where it is broken over two lines. joined: the text without its line breaks.
        def hidden(text, code, joined)
          return text if code.strip.length < 3

          plain = text.gsub(code, sign)
          return plain if joined.scan(code).size == text.scan(code).size

          broken = code.chars.map { |c| Regexp.escape(c) }.join('(?:\n[ \t>]*)?')
          plain.gsub(/(?<![\p{L}\p{N}])#{broken}(?![\p{L}\p{N}])/, sign)
        end

        def secret(piece)
          head = piece[/\A[("'“„«‹\[<]+/].to_s
          tail = piece[head.length..][/[)"'”“»›\]>]*[.,;:]?\z/].to_s
          "#{head}#{sign}#{tail}"
        end

        def sign = Core::Codes::Code.mask(nil)
        private_class_method :hidden, :secret, :sign
      end
    end
  end
end
