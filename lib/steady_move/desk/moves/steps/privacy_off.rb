# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The privacy service goes off, always by hand: EPP knows none.
        class PrivacyOff < Act
          def contacts_readable = by_record { |r| losing.readable?(r.registrant_email, plan.name) }
          def call = ByHand.call(self)
        end
      end
    end
  end
end
