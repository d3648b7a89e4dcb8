# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Consent =
          Step.declare("consent") do
            order 210
            actor :yours
            takes MINUTE, HOUR, 2 * DAY
            option :privacy
            traits :consent
          end
      end
    end
  end
end
