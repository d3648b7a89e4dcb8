# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a message seems to be. kind: see KINDS; names: held names it speaks of; deadline: Time or nil;
      # doubtful: not to be acted on; because: sentences.
      Reading = Struct.new(:kind, :names, :deadline, :doubtful, :because, keyword_init: true)
    end
  end
end
