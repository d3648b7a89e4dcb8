# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # After a move that didn't land: the losing side's privacy service goes on again, by hand.
        class PrivacyAgain < Act
          def privacy_on = by_record { |r| losing.stands_in?(r.registrant_email, plan.name) }
          def call = ByHand.call(self)
        end
      end
    end
  end
end
