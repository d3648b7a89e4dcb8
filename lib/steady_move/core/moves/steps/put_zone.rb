# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        PutZone = Step.declare("put-zone") do
          order 120
          rail :records
          needs "fetch-zone"
          option :carry
          talks_to :dns
        end
      end
    end
  end
end
