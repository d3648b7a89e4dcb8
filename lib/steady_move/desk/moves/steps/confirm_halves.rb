# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The gaining side wants a code typed on its page, half of which its mail holds.
        class ConfirmHalves < Act
          include Confirming
        end
      end
    end
  end
end
