# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        ConfirmHalves =
          Step.declare("confirm-halves") do
            order 414
            stage "Ordered"
            actor :yours
            needs "order"
            takes MINUTE, HOUR, 5 * DAY
            option :confirm_halves
            act "confirm", at: :gaining
            via :page, proof: :confirmed
            talks_to :record
            traits :confirms
          end
      end
    end
  end
end
