# frozen_string_literal: true

module SteadyMove
  module Core
    module Codes
      # Looks at an authorization code as it is; nothing in it is ever changed (RFC 9154 §4; the bounds are common practice).
      module Code
        LEAST = 6
        MOST = 64
        # For codes that the desk sets itself: no look-alikes, nothing that separates or quotes.
        PLAIN = [*"a".."z", *"A".."Z", *"2".."9"].reject { |c| "lIO".include?(c) }.freeze
        ALIKE = /[0OIl1]/

        module_function

        # Returns warnings as sentences; an empty list where nothing is odd. typed: keyed in by a person.
        def warnings(code, typed: false)
          [
            ("It begins or ends with a blank." if code.match?(/\A\s|\s\z/)),
            ("It has #{code.length} characters; at least #{LEAST} are usual." if code.length < LEAST),
            ("It has #{code.length} characters; at most #{MOST} are usual." if code.length > MOST),
            ("It holds characters beyond ASCII." unless code.ascii_only?),
            ("It holds characters that look alike (0 O, 1 l I); check them." if typed && code.match?(ALIKE))
          ].compact
        end

        # For the screen: length hidden, nothing shown.
        def mask(_code) = "••••••••"
      end
    end
  end
end
