# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        RegistryPending =
          Step.declare("registry-pending") do
            order 420
            stage "Ordered"
            actor :theirs
            needs "order", "confirm-link", "confirm-halves", "confirm-code"
            except :prepare, :at_once, :push, :dns_only
            takes 5 * MINUTE, 15 * MINUTE, HOUR
            talks_to :gaining
          end
      end
    end
  end
end
