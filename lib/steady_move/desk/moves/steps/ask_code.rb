# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The code is asked for by a person; whether one has come shows in the code safe.
        class AskCode < Act
          def code_held
            here = ports.codes.of_move(move.id) || usable?
            Seen.new(
              done: here,
              says: sentence(:shown),
              not_yet: sentence(:not_shown),
              source: :code_safe
            )
          end

          def call = ByHand.call(self)

          private

          # One that the registry has not rejected, and that still lives (GetCode takes no other);
          # where the one that was held is past its life, the later one takes its place.
          def usable? = lives? || (ports.codes.take_proposed(plan.name) && lives?)

          def lives?
            ports.codes.usable?(plan.name, at: now, lives: ports.rulebook.call.code_life(name))
          end
        end
      end
    end
  end
end
