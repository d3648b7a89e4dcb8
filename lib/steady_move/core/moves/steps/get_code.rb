# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        GetCode =
          Step.declare("get-code") do
            order 290
            needs "ask-code", "ns-settled"
            takes 1, 5, MINUTE
            spares :servers_late, "ns-settled"
            option :code
            talks_to :losing
            traits :code
          end
      end
    end
  end
end
