# frozen_string_literal: true

module SteadyMove
  module Core
    # What comes from outside, inside a sentence or on one line: signs that turn its direction,
    # break its line or are not seen stand there as what they are, so that nothing reads otherwise
    # than it is (Unicode, UAX #9 and UTR #36 §3.3; joiners within words stay, since scripts need
    # them).
    module Signs
      HIDDEN =
        /[\p{Cc}\u{061C}\u{180E}\u{200B}\u{200E}\u{200F}\u{2028}-\u{202E}\u{2060}-\u{206F}\u{FEFF}]/

      module_function

      #   Signs.shown("a\u{202E}b") # => "a⟨U+202E⟩b"
      def shown(text)
        return text unless text.match?(HIDDEN)

        text.gsub(HIDDEN) { |sign| format("⟨U+%04X⟩", sign.ord) }
      end

      # The same, with lines as they are: for what the desk itself wrote in several.
      #   Signs.in_lines("a\n\u{202E}b") # => "a\n⟨U+202E⟩b"
      def in_lines(text) =
        text.match?(HIDDEN) ? text.split("\n", -1).map { |l| shown(l) }.join("\n") : text
    end
  end
end
