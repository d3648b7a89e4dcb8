# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        ConfirmLink =
          Step.declare("confirm-link") do
            order 412
            stage "Ordered"
            actor :yours
            needs "order"
            takes MINUTE, HOUR, 5 * DAY
            option :confirm_link
            act "confirm", at: :gaining
            via :link, proof: :confirmed
            talks_to :record
            traits :confirms
          end
      end
    end
  end
end
