# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # A name as people type or paste it into a search: within a URL, without its umlauts, as an
      # A-label.
      module SpokenName
        SCHEME = %r{\A[a-z][a-z0-9+.-]*://}
        # German is written so where the letters lack (DIN 5007-2); other marks fall away.
        APART = { "ä" => "ae", "ö" => "oe", "ü" => "ue", "ß" => "ss" }.freeze

        module_function

        # The host within a word that may be a URL, else the word itself.
        #   Desk::Portfolio::SpokenName.host("https://www.tide.example:443/a") # => "tide.example"
        def host(word)
          bare = word.sub(SCHEME, "").sub(%r{[/?#].*\z}m, "").sub(/\A[^@]*@(?=.)/, "")
          bare = bare.sub(/:\d+\z/, "").delete_suffix(".").delete_prefix("*.").delete_prefix("www.")
          bare.empty? ? word : bare
        end

        # A text without marks on its letters.
        #   Desk::Portfolio::SpokenName.plain("fähre-île") # => "fahre-ile"
        def plain(text) = text.unicode_normalize(:nfd).gsub(/\p{Mn}/, "").gsub("ß", "ss")

        # Does a name in Unicode hold a word, however it is spelt? bare: the word without marks.
        def like?(unicode, word, bare)
          unicode.include?(word) || plain(unicode).include?(bare) ||
            unicode.gsub(/[äöüß]/, APART).include?(word)
        end
      end
    end
  end
end
