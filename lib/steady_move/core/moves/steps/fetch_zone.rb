# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        FetchZone = Step.declare("fetch-zone") do
          order 110
          rail :records
          stage "Survey"
          option :carry
          talks_to :dns
          marks :records
        end
      end
    end
  end
end
