# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # The languages that are understood; one file each in languages/.
      module Languages
        ALL = [
          En::WORDS,
          De::WORDS,
          Fr::WORDS,
          Es::WORDS,
          It::WORDS,
          Nl::WORDS,
          Pt::WORDS,
          Pl::WORDS,
          Ja::WORDS
        ].freeze
        APPROVE = Regexp.union(ALL.map(&:approve))
        DECLINE = Regexp.union(ALL.map(&:decline))
        # The words of a link that ends a mailing, and nothing else.
        MAILING = /\A\W*(?:#{Regexp.union(ALL.map(&:mailing))})(?:\W|here|hier|ici)*\z/i
        REFUSAL = Regexp.union(ALL.filter_map(&:refusal))

        # In a text of fewer signs one word shows the language, in a longer one it takes two.
        SHORT = 200

        module_function

        # Those that a text is written in; English always.
        def in(text) = ALL.select { |t| t.in?(text) }

        # Do words say approve or decline? Returns "approve", "decline", :both or nil.
        #   Post::Languages.says("I approve") # => "approve"
        #   Post::Languages.says("do not approve") # => "decline"
        def says(words)
          refused = words.match?(REFUSAL)
          approve = words.gsub(REFUSAL, " ").match?(APPROVE)
          decline = refused || words.match?(DECLINE)
          return :both if approve && decline
          return "approve" if approve

          "decline" if decline
        end
      end
    end
  end
end
