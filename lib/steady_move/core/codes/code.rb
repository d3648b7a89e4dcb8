# frozen_string_literal: true

module SteadyMove
  module Core
    module Codes
      # Looks at an authorization code as it is; nothing in it is ever changed (RFC 9154 §4; the
      # bounds are common practice).
      module Code
        LEAST = 6
        MOST = 64
        # For codes that the desk sets itself: no look-alikes, nothing that separates or quotes.
        PLAIN = [*"a".."z", *"A".."Z", *"2".."9"].reject { |c| "lIO".include?(c) }.freeze
        # Characters of a code that the desk sets: with PLAIN more than 128 bits (RFC 9154 §4.3).
        LENGTH = 22
        ALIKE = /[0OIl1]/

        module_function

        # Returns warnings as Phrases; an empty list where nothing is odd. typed: keyed in by a
        # person.
        #   Codes::Code.warnings("Ab3dEf9k") # => []
        #   Codes::Code.warnings("x").map(&:key) # => ["codes.warnings.short"]
        def warnings(code, typed: false)
          [
            (warning(:outer_blank) if code.match?(/\A\s|\s\z/)),
            (warning(:inner_blank) if code.match?(/\S\s+\S/)),
            (warning(:short, count: code.length, least: LEAST) if code.length < LEAST),
            (warning(:long, count: code.length, most: MOST) if code.length > MOST),
            (warning(:beyond_ascii) unless code.ascii_only?),
            (warning(:look_alikes) if typed && code.match?(ALIKE))
          ].compact
        end

        def warning(key, **values) = Phrase.of("codes.warnings.#{key}", **values)
        private_class_method :warning

        # A code that the desk sets. random: a strong source, as SecureRandom. Returns text.
        def fresh(random) = Array.new(LENGTH) { PLAIN.sample(random: random) }.join

        # For the screen: length hidden, nothing shown.
        def mask(_code) = "••••••••"
      end
    end
  end
end
