# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        CompareHosts =
          Step.declare("compare-hosts") do
            order 130
            rail :records
            needs "put-zone"
            option :carry
            talks_to :dns
          end
      end
    end
  end
end
