# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What is to be known before a move starts. key: of what kind it is (a rule's id, or a word of
      # our own); says: the sentence; note: what a person may note that answers it
      # (Portfolio::Notes::KINDS), nil where nothing does.
      Caution = Struct.new(:key, :says, :note)
    end
  end
end
