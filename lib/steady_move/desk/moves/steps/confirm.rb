# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The gaining side wants its order confirmed: by the link in its mail, by a code half of
        # which its mail holds, or by the authorization code typed once more. Nobody passes an order
        # on to the registry that was not confirmed: that shows it.
        class Confirm < Act
          include Transfers

          def confirmed
            Act::Seen.new(
              done: sight.begun? && sight.stage != :over,
              says: sight.says,
              not_yet: sentence(:not_shown),
              source: sight.source,
              ref: sight.ref
            )
          end

          def by_hand = sight.stage == :over ? over : super
        end
      end
    end
  end
end
