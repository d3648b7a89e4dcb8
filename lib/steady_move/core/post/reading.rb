# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a message seems to be. kind: an id of Lexicon, or unrelated; names: held names it speaks of; code, link: texts or nil;
      # deadline: Time or nil; doubtful: not to be acted on; because: sentences.
      Reading = Struct.new(:kind, :names, :code, :link, :deadline, :doubtful, :because, keyword_init: true)
    end
  end
end
