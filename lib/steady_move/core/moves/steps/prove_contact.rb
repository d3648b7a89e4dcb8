# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        ProveContact =
          Step.declare("prove-contact") do
            order 250
            actor :theirs
            needs "contacts-shown"
            early
            takes MINUTE, 4 * HOUR, 2 * DAY
            option :contact
            act "proof", at: :contact
            via :connection
            via :page
            talks_to :desk
            traits :asks_back
          end
      end
    end
  end
end
