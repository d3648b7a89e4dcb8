# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        TtlsLowered =
          Step.declare("ttls-lowered") do
            order 114
            rail :records
            needs "lower-ttls"
            takes 0, 0, 0, by: :lower
            option :lower
            talks_to :dns
            traits :time
          end
      end
    end
  end
end
