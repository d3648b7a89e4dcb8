# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # Could a piece of text be an authorization code? It is no word of a sentence, no status,
      # name, date, sum, number of an order or address, and it stands in for none.
      module CodeShape
        LEAST = 4
        MOST = 128
        NAME =
          /\A(?:www\.)?(?:[\p{L}\p{N}](?:(?-i:[\p{L}\p{N}-])*[\p{L}\p{N}])?\.)+(?-i:\p{L}){2,}\.?\z/
        # Nobody writes a top-level domain so, pqZ; nor a host so, Jk2-7aB.example.
        NO_TLD = /(?-i:\p{Ll}\p{Lu}|\p{Lu}{2}\p{Ll})\p{L}*\.?\z/
        NO_HOST = /\A(?=.*\d).*(?-i:[\p{Ll}\d]\p{Lu})/
        ADDRESS =
          %r{\A[^\s@]+@(?-i:[\p{L}\p{N}.-])+\.(?-i:\p{L}){2,}\z|://|\Awww\.|\A//|
             \A(?:https?|mailto|tel|sms):}ix
        # IPv4, and IPv6 with at least two colons.
        IP = %r{\A\d{1,3}(?:\.\d{1,3}){3}(?:/\d+|:\d+)?\z|\A\h{0,4}(?::\h{0,4}){2,7}(?:/\d+)?\z}
        DATE =
          %r{\A\d{1,4}[-./]\d{1,2}[-./]\d{1,4}(?:T[\d:.]+(?:Z|[+-]\d\d:?\d\d)?)?\.?\z|
             \A\d{8}T\d{4,6}Z?\z}x
        TIME = /\A\d{1,2}:\d\d(?::\d\d)?(?:\.\d+)?(?:Z|[ap]\.?m\.?|[+-]\d\d:?\d\d)?\.?\z/i
        # An amount of something: 5d, 48h, 12.50€, 3/5, 2of2.
        AMOUNT =
          %r{\A[€$£¥]?\d+(?:[.,]\d+)*(?:[€$£¥%]|d|h|min|s|days?|hours?|hrs?|weeks?|months?|years?|
             eur|usd|gbp|kb|mb|st|nd|rd|th|x)?\z|\A\d{1,3}(?:/|of)\d{1,3}\z}ix
        SUM = /\A[€$£¥]?\d+(?:[.,]\d+)*[€$£¥%]?\z/
        # A number of an order, a ticket, a letter of ours.
        NUMBERED =
          %r{\A[\[(#]*(?:ord(?:er)?|inv(?:oice)?|ticket|tkt|case|ref(?:erence)?|req(?:uest)?|rma|
             jobs?|no|nr|po|so|cust(?:omer)?|kd|rg|sm|vorgang|rechnung|commande|factura|fattura)
             [-#.:_/]+\w*\d[-\w]*[\])]*\z|\A\#\d+\z|\A\[?SM-\d+}ix
        STATUS = /\A(?:(?:client|server)\w*(?:Prohibited|Hold)|pending[A-Z]\w*|ok|in_?active)\z/i
        # What stands where a code was to be put in, and what a masked one looks like.
        BRACED = /\A[\[{<%$#{@_}]{1,3}(.*?)[\]}>%#{@_}]{1,3}\z/
        MASKED = /\A[xX]{3,}\z|\A(.)\1{3,}\z|[*•●·]{3,}|\.{3,}|…/
        # Signs that no word holds.
        SIGNS_WITHIN = /[[:alnum:]][!#$%&*+=?@^_~|\\{}<>\[\];:,"]+[[:alnum:]]/
        # A sentence in a script without blanks.
        OTHER_SCRIPT = /[\p{Han}\p{Hiragana}\p{Katakana}。、「」『』]/
        # Words that stand where a code is looked for.
        WORDS = Languages::ALL.flat_map(&:no_codes).to_set(&:downcase).freeze
        # Where words are put together: not-sent, in_progress, inProgress.
        JOINTS = %r{[-_/.\s'’]+|(?<=\p{Ll})(?=\p{Lu})}
        # More consonants in a row than words have.
        UNSPEAKABLE = /[b-df-hj-np-tv-xz]{5,}/i
        NEVER = [ADDRESS, IP, DATE, TIME, NUMBERED, STATUS, OTHER_SCRIPT].freeze
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
          text.length.between?(LEAST, MOST) && !word?(text) && !placeholder?(text) &&
            !text.match?(/\A\W+\z/) && NEVER.none? { |form| text.match?(form) } && !amount?(text) &&
            !host?(text)
        end

        # And nothing else: with a digit, a sign or a capital within. What has none of these may be
        # a word of any language: a question.
        #   Post::CodeShape.sure?("kelp-and-brine") # => true
        #   Post::CodeShape.sure?("Versandfertig") # => false
        def sure?(text)
          return false unless possible?(text)
          return text.match?(NO_TLD) if text.match?(NAME)

          core = text.gsub(/\A["'(]+|[.,;:!?"')]+\z/, "")
          return false unless core.match?(/\d|[^\p{L}\p{N}]|[\p{L}\p{N}]\p{Lu}/)

          !worded?(core) || core.split(JOINTS).none? { |piece| said?(piece) }
        end

        # Does it look like words, put together or written large?
        #   Post::CodeShape.worded?("sent-by-courier") # => true
        #   Post::CodeShape.worded?("QwErTyXz") # => false
        def worded?(text)
          pieces = text.split(JOINTS).reject(&:empty?)
          return false unless pieces.any? && pieces.all? { |piece| piece.match?(/\A\p{L}+\z/) }

          pieces.sum(&:length) >= 3 * pieces.size && !text.match?(UNSPEAKABLE)
        end

        # Where a sentence goes on around it: it must look like none of its words.
        def plain?(text) = possible?(text) && mixed?(text) && !text.match?(SUM)

        # A word that says something of a code, or several put together.
        def word?(text)
          return false if text.length > MOST

          pieces = text.gsub(/\A[(\[]+|[)\].,;:!?]+\z/, "").split(JOINTS).reject(&:empty?)
          pieces.any? && pieces.all? { |piece| WORDS.include?(piece.downcase) }
        end

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

        # A word of some length that says something of a code.
        def said?(piece) = piece.length >= LEAST && WORDS.include?(piece.downcase)

        # A number alone may be a code; one with a unit is an amount.
        def amount?(text) = text.match?(AMOUNT) && !text.match?(/\A\d+\z/)

        def host?(text) = text.match?(NAME) && !text.match?(NO_TLD) && !text.match?(NO_HOST)

        def placeholder?(text)
          inner = text[BRACED, 1]
          text.match?(MASKED) || (!inner.nil? && inner.match?(/\A[a-z_. -]*\z/i))
        end
        private_class_method :said?, :amount?, :host?, :placeholder?
      end
    end
  end
end
