# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        DsForgotten =
          Step.declare("ds-forgotten") do
            order 134
            rail :records
            needs "ds-out"
            takes 0, 0, 0, by: :ds
            option :signed
            talks_to :dns
            traits :time
          end
      end
    end
  end
end
