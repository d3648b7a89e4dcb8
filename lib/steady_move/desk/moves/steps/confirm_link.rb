# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The gaining side wants its order confirmed by the link in its mail.
        class ConfirmLink < Act
          include Confirming
        end
      end
    end
  end
end
