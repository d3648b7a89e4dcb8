# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # After a move that did not land: the DS that was taken away stands at the registry again.
      class DsAgain < Act
        include Signing

        def call
          missing = old_ds - (shown_ds || (return not_known))
          return done(sentence(:done), source: :registry) if missing.empty?

          change_ds(:adding, add: { ds: missing })
          wait(sentence(:not_shown), source: :registry, look_at: now + 300)
        end

        def ds_there = by_parents { |shown| (old_ds - shown).empty? }

        private

        def old_ds = state.told("ds")&.data&.fetch("ds", nil).to_a
      end
    end
  end
end
