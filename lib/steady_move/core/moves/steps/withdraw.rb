# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Withdraw =
          Step.declare("withdraw") do
            order 902
            stage "Ordered"
            actor :yours
            takes HOUR, DAY, 5 * DAY
            option :outside
            ending
            act "order", at: :gaining
            via :page, proof: :withdrawn
            talks_to :record
            traits :waivable
          end
      end
    end
  end
end
