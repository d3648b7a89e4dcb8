# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until every server of the registry shows no DS any more, and then until no cache
        # holds it, nor data that were validated with it (rules of the job §6, step 3).
        class DsForgotten < Act
          include Signing

          def call
            shown = shown_ds or return not_known
            return wait(sentence(:still_there), source: :registry, look_at: now + 300) if shown.any?

            seen = gone_at or
              return(
                wait(
                  sentence(:gone, until: now + wait_for),
                  source: :registry,
                  look_at: now + wait_for,
                  gone_at: now
                )
              )
            ends = seen + wait_for
            if now < ends
              return wait(sentence(:gone, until: ends), source: :ttls, look_at: ends, gone_at: seen)
            end

            done(sentence(:done), source: :ttls)
          end

          private

          # When it was first seen gone everywhere.
          def gone_at
            move
              .events
              .reverse_each
              .find { |e| e.step == step.id && e.data["gone_at"] }
              &.data
              &.fetch("gone_at")
          end

          def wait_for
            ttl =
              state.told("ds_ttl")&.data&.fetch("ds_ttl", nil) || Common::Zones::ASSUMED.parent_ns
            ttl +
              (
                state.told("greatest")&.data&.fetch("greatest", nil) ||
                  Common::Zones::ASSUMED.greatest
              )
          end
        end
      end
    end
  end
end
