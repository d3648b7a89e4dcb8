# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        FetchZone =
          Step.declare("fetch-zone") do
            order 110
            rail :records
            stage "Survey"
            option :carry
            act "zone", at: :old_host
            via :connection
            via :page, proof: :zone_kept, takes: SHOWS
            talks_to :dns
            traits :records, :sheet
          end
      end
    end
  end
end
