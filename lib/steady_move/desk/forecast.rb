# frozen_string_literal: true

module SteadyMove
  module Desk
    # When moves will be done: ranges along their plans that learn from finished moves.
    #
    #   desk.forecasts.for_move(move).spread.range          # [early, usual, late]
    module Forecast
      extend Room

      needs :moves, :now, :settings
      offers :Forecasts
    end
  end
end
