# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        OldNsSet =
          Step.declare("old-ns-set") do
            order 145
            rail :records
            needs "switch-ns"
            option :old_set
            talks_to :dns
          end
      end
    end
  end
end
