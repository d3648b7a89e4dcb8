# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The papers or the presence that a suffix wants, given to the gaining side by hand.
        class Papers < Act
          include OnWord
        end
      end
    end
  end
end
