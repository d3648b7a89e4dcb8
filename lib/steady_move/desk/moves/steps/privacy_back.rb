# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The gaining side's privacy service goes on, by hand.
        class PrivacyBack < Act
          def privacy_on = by_record { |r| gaining.stands_in?(r.registrant_email, plan.name) }
          def call = ByHand.call(self)
        end
      end
    end
  end
end
