# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # The code is asked for by a person; whether one has come shows in the code safe.
      class AskCode < Act
        def code_held
          kept = ports.codes.held(plan.name)[plan.name]
          here = ports.codes.of_move(move.id) || (kept && kept.last != "rejected")
          Seen.new(done: here, says: sentence(:shown), not_yet: sentence(:not_shown), source: :code_safe)
        end

        def call = ByHand.call(self)
      end
    end
  end
end
