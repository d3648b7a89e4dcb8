# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Could a piece of text be an authorization code? It is no word of a sentence, no status,
      # name, date, sum or address.
      module CodeShape
        LEAST = 4
        MOST = 128
        NAME =
          /\A(?:www\.)?(?:[\p{L}\p{N}](?:(?-i:[\p{L}\p{N}-])*[\p{L}\p{N}])?\.)+(?-i:\p{L}){2,}\.?\z/
        ADDRESS = %r{\A[^\s@]+@(?-i:[\p{L}\p{N}.-])+\.(?-i:\p{L}){2,}\z|://|\Awww\.}
        DATE =
          %r{\A\d{1,4}[-./]\d{1,2}[-./]\d{1,4}(?:T[\d:.]+(?:Z|[+-]\d\d:?\d\d)?)?\.?\z|
                  \A\d{1,2}:\d\d(?::\d\d)?\.?\z}x
        # Of our own letters.
        REFERENCE = /\ASM-\d{4,}-/
        SUM = /\A[€$£¥]?\d+(?:[.,]\d+)*[€$£¥%]?\z/
        STATUS = /\A(?:(?:client|server)\w*(?:Prohibited|Hold)|pending\w*|ok|in_?active)\z/i
        # Signs that no word holds.
        SIGNS_WITHIN = /[[:alnum:]][!#$%&*+=?@^_~|\\{}<>\[\];:,"]+[[:alnum:]]/
        # A sentence in a script without blanks.
        OTHER_SCRIPT = /[\p{Han}\p{Hiragana}\p{Katakana}。、「」『』]/
        # Words that stand where a code is looked for.
        WORDS =
          %r{\A(?:valid|invalid|shown|below|above|sent|enclosed|attached|active|available|required|
            needed|
                 wanted|
                 confidential|following|expired|locked|unlocked|none|unknown|here|hidden|secret|
                 private|displayed|
                 listed|
                 provided|included|ready|correct|wrong|not|only|your|the|this|that|for|from|with|
                 and|please|see|
                 used|
                 changed|reset|renewed|new|old|removed|by|in|on|at|to|a|an|as|it|is|was|will|can|
                 may|must|be|been|
                 case|
                 sensitive|case-sensitive|given|stated|found|kept|printed|necessary|part|one|code|
                 key|domain|name|
                 contact|support|registrar|account|ask|request|call|login|sign|follows?|soon|later|
                 separately|
                 letter|thanks|regards|online|customers?|details|
                 n/a|na|tbd|pending|yes|no|redacted|withheld|requested|generated|created|
                 on-request|e-?mail|post|
                 gültig|unten|beigefügt|ungültig|valable|ci-dessous|válido|abajo|seguente|valido|
                 geldig|hieronder|
                 válida|abaixo|ważny|poniżej|verfügbar|nötig|strictly)\z}ix
        QUOTES = {
          "“" => "”",
          "\"" => "\"",
          "'" => "'",
          "„" => "“",
          "«" => "»",
          "‹" => "›",
          "`" => "`",
          "「" => "」",
          "‘" => "’",
          "[" => "]",
          "<" => ">",
          "『" => "』"
        }.freeze

        module_function

        # Where a label or a cell says that a code must stand here.
        #   Post::CodeShape.possible?("aB3x-9kQ") # => true
        #   Post::CodeShape.possible?("valid") # => false
        def possible?(text)
          text.length.between?(LEAST, MOST) && !word?(text) && !text.match?(NAME) &&
            !text.match?(ADDRESS) && !text.match?(DATE) && !text.match?(REFERENCE) &&
            !text.match?(STATUS) && !text.match?(/\A\W+\z/) && !text.match?(OTHER_SCRIPT)
        end

        # Where a sentence goes on around it: it must look like none of its words.
        def plain?(text) = possible?(text) && mixed?(text) && !text.match?(SUM)

        def word?(text) = text.length <= MOST && text.gsub(/\A[(\[]|[)\].,;:]+\z/, "").match?(WORDS)

        # Digits beside letters, capitals within, or signs that no word holds.
        def mixed?(text)
          return false if text.length > MOST

          core = text.gsub(/[.,;:!?)]+\z/, "")
          (core.match?(/\d/) && core.match?(/\p{L}/)) || core.match?(SIGNS_WITHIN) ||
            core.match?(/\p{Ll}\p{Lu}/) || core.match?(/\A[!#$%&*+=?@^_~]/) ||
            core.match?(/\A\d{6,}\z/)
        end

        # The inside of quotation marks that hold the whole text, or nil; a sentence's last sign may
        # follow.
        def quoted(text)
          close = QUOTES[text[0]] or return
          inner = text.sub(/[.,;]\z/, "")
          return unless inner.length > 2 && inner.end_with?(close)

          inner[1..-2].gsub(close * 2, close)
        end

        # May be one, wherever it stands: what is put out of sight before a text is kept.
        def secret?(text, speaks:)
          return false if text.length > MOST * 2

          bare = text.gsub(/\A[("'“„«‹\[<]+|[)"'”“»›\]>.,;:!?]+\z/, "")
          return false if bare.length < 6 || !plain?(bare)
          return true if speaks

          bare.length >= 8 && bare.match?(/\d/) && bare.match?(/\p{Ll}/) &&
            bare.match?(/\p{Lu}|[!#$%&*?@^]/)
        end
      end
    end
  end
end
