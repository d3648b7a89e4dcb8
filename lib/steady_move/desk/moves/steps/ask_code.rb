# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The code is asked for by a person; whether one has come shows in the code safe.
        class AskCode < Act
          def code_held
            here = ports.codes.of_move(move.id) || usable?(*ports.codes.held(plan.name)[plan.name])
            Seen.new(
              done: here,
              says: sentence(:shown),
              not_yet: sentence(:not_shown),
              source: :code_safe
            )
          end

          def call = ByHand.call(self)

          private

          # One that the registry has not rejected, and that still lives (GetCode takes no other).
          def usable?(received = nil, state = nil)
            days = ports.rulebook.call.family_of(name)&.code_days
            !received.nil? && state != "rejected" &&
              (days.nil? || received > now.to_i - (days * 86_400))
          end
        end
      end
    end
  end
end
