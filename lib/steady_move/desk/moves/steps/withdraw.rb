# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # After a move that didn't land: the order at the gaining side is taken back by hand. What
        # has been released meanwhile is not taken back.
        class Withdraw < Act
          include Transfers

          def by_hand
            return resumed(sentence(:released), source: :record) if sight.approved?

            still_pending? ? still_pending : super
          end

          # Over by a mail or the losing side's word, or no longer pending where the record did show
          # it; else somebody said so, and nothing shows the contrary.
          def withdrawn
            said = !state.begun_at(step.id).nil?
            over = sight.stage == :over || (said && sight.stage == :nothing)
            Seen.new(
              done: over,
              says: sentence(said ? :done_said : :done),
              not_yet: sentence(:not_shown),
              source: :record,
              ref: sight.ref
            )
          end
        end
      end
    end
  end
end
