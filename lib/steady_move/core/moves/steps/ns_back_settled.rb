# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # On the way back, too, caches have to forget: the new host is kept, and no DS put back,
        # until nobody asks it.
        NsBackSettled =
          Step.declare("ns-back-settled") do
            order 906
            rail :records
            needs "ns-back"
            ending
            takes 0, 0, 0, by: :back
            talks_to :dns
            traits :time, :caches, :waivable
          end
      end
    end
  end
end
