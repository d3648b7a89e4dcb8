# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until the code was handed to whoever takes the name
        # (Desk::Planning::Preparing#hand_over).
        class HandOver < Act
          def call
            handed = state.begun_at(step.id) or
              return wait(sentence(:waiting), source: :desk, look_at: now + 86_400)

            done(sentence(:done, at: handed), source: :desk)
          end
        end
      end
    end
  end
end
