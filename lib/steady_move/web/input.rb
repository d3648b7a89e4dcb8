# frozen_string_literal: true

module SteadyMove
  module Web
    # What may come in at all, before any schema: texts that are UTF-8 without NUL, and whole
    # numbers that every reader of JSON holds exactly (I-JSON, RFC 7493 §2.1 and §2.2).
    module Input
      GREATEST = (2**53) - 1

      module_function

      # value: what was parsed; place: of it, as it is told. Calls the block with a sentence where
      # something may not.
      def check(value, place = nil, &told)
        case value
        when String
          text?(value) || told.call(Words.say(:"web.not_text", member: place))
        when Integer
          value.abs <= GREATEST || told.call(Words.say(:"web.number_too_large", member: place))
        when Array
          value.each_with_index { |v, i| check(v, [place, i].compact.join("."), &told) }
        when Hash
          value.each do |key, v|
            at = [place, key.scrub].compact.join(".")
            check(key, at, &told)
            check(v, at, &told)
          end
        end
      end

      def text?(value)
        text = value.encoding == Encoding::UTF_8 ? value : value.dup.force_encoding(Encoding::UTF_8)
        text.valid_encoding? && !text.include?("\0")
      end
      private_class_method :text?
    end
  end
end
