# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        HandOver =
          Step.declare("hand-over") do
            order 440
            stage "Ordered"
            actor :yours
            needs "renew", "lock-gone", "get-code", "contacts-shown", "prove-contact"
            takes MINUTE, HOUR, 2 * DAY
            option :leaves
            talks_to :desk
            traits :hands_over
          end
      end
    end
  end
end
