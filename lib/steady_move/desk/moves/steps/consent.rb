# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits for the owner's consent, which a person records.
        class Consent < Act
          def call
            given = state.consent or
              return wait(sentence(:waiting), source: :desk, look_at: now + 86_400)

            done(
              sentence(
                :done,
                given_by: given["given_by"],
                shown: given["shown"],
                until: given["until"]
              ),
              source: :owners_word
            )
          end
        end
      end
    end
  end
end
