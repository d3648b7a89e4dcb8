# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # A copy of the zone before anything is ordered, although its name servers stay: a way back,
        # and what the answers after the landing are held against.
        KeepZone =
          Step.declare("keep-zone") do
            order 108
            rail :records
            stage "Survey"
            option :keep_zone
            takes 1, 10, 2 * MINUTE
            talks_to :dns
            traits :keeps_zone, :waivable
          end
      end
    end
  end
end
