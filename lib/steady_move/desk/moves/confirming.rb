# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What shows that an order was confirmed: nobody passes one on to the registry that was not.
      module Confirming
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
