# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What is to be known before a move starts. key: of what kind it is (a rule's id, or a word of
      # our own); says: the sentence.
      Caution = Struct.new(:key, :says)
    end
  end
end
