# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # What a gaining side may want before it passes an order on: {id => how that is done}. Each
        # is chosen by the option of a plan that bears its name.
        CONFIRMATIONS = {
          "confirm-link" => %i[link],
          "confirm-halves" => %i[page],
          "confirm-code" => %i[page]
        }.freeze

        # What is typed in it.
        CONFIRMED_BY = { "confirm-halves" => :types_half, "confirm-code" => :types_code }.freeze

        Confirm =
          CONFIRMATIONS.each_with_index.map do |(id, ways), number|
            Step.declare(id) do
              family "confirm"
              order 412 + (2 * number)
              stage "Ordered"
              actor :yours
              needs "order"
              adds :servers_held, "ns-settled", "ds-in"
              takes MINUTE, HOUR, 5 * DAY
              option id.tr("-", "_").to_sym
              act "confirm", at: :gaining
              via(*ways, proof: :confirmed)
              talks_to :record
              traits :confirms, *CONFIRMED_BY[id]
            end
          end
      end
    end
  end
end
