# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        LowerTtls =
          Step.declare("lower-ttls") do
            order 112
            rail :records
            needs "fetch-zone"
            option :lower
            act "zone_edit", at: :old_host
            via :connection
            via :page, proof: :lowered, takes: SHOWS
            talks_to :dns
            traits :sheet, :lowers, :waivable
          end
      end
    end
  end
end
