# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Puts out of sight whatever may be an authorization code, before a text is kept or shown.
      module Masking
        PARAMETER = /((?:auth[-_]?(?:info|code|key)?|epp[-_]?(?:code|key)?|transfer[-_]?(?:code|key))=)([^&\s#"'<>]+)/i

        # What a code is called is none.
        LABEL = /\A\W*#{CodeLabels::STRONG}\W*\z/

        module_function

        # text: of a subject or a message; candidates: what was found in the whole message; speaks: it is about codes.
        def mask(text, candidates, speaks:)
          out = candidates.sort_by { |c| -c.length }.reduce(text) { |t, code| hidden(t, code) }
          out = out.gsub(PARAMETER) { "#{Regexp.last_match(1)}#{sign}" }
          out.gsub(/[^\s\t|]+/) do |piece|
            !piece.match?(LABEL) && CodeShape.secret?(piece, speaks: speaks) ? secret(piece) : piece
          end
        end

        # Also where it is broken over two lines.
        def hidden(text, code)
          return text if code.strip.length < 3

          broken = code.chars.map { |c| Regexp.escape(c) }.join('(?:\n[ \t>]*)?')
          text.gsub(/(?<![\p{L}\p{N}])#{broken}(?![\p{L}\p{N}])/, sign).gsub(code, sign)
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
