# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        ConfirmCode =
          Step.declare("confirm-code") do
            order 416
            stage "Ordered"
            actor :yours
            needs "order"
            takes MINUTE, HOUR, 5 * DAY
            option :confirm_code
            act "confirm", at: :gaining
            via :page, proof: :confirmed
            talks_to :record
            traits :confirms
          end
      end
    end
  end
end
