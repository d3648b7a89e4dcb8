# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a message seems to be. kind: an id of Lexicon, or unrelated; names: held names it speaks of; code, link:
      # texts or nil; codes: {A-label text => code} where a list of them stands in it; passed: an identity check that
      # is said to be passed; deadline: Time or nil; doubtful: not to be acted on; because: sentences.
      Reading = Struct.new(:kind, :names, :code, :codes, :link, :deadline, :doubtful, :because, :passed,
        keyword_init: true)
    end
  end
end
