# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Papers =
          Step.declare("papers") do
            order 400
            actor :yours
            takes HOUR, DAY, 5 * DAY
            option :papers
            act "papers", at: :gaining
            via :page, proof: :on_word
            talks_to :desk
            traits :word, :papers
          end
      end
    end
  end
end
