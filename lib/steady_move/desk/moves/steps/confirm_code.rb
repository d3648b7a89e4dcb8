# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The gaining side wants the authorization code typed once more on its page.
        class ConfirmCode < Act
          include Confirming
        end
      end
    end
  end
end
