# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        MakeSafe =
          Step.declare("make-safe") do
            order 910
            needs "withdraw"
            ending
            act "unlock", at: :losing
            via :connection
            via :page, proof: :safe, takes: SHOWS
            via :letter, proof: :safe, takes: LETTER
            letter "lock"
            talks_to :losing
            traits :waivable
          end
      end
    end
  end
end
