# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Takes a copy of the zone in the best way that its servers allow, and says how complete it
        # is. A copy that a person got lately is as good.
        class KeepZone < Act
          FRESH = 86_400

          def call
            copy = held || ports.zone_getting.best(plan.name, by: "desk")
            ports.zones.put(move.id, copy.zone, at: now)
            done(
              sentence(:done, complete: copy.says),
              source: :copy,
              zone_copy: copy.id,
              complete: copy.complete == true
            )
          rescue Refused, Wire::Error => e
            problem(
              sentence(:none, says: e.message),
              source: :dns,
              yours: true,
              look_at: now + 3600
            )
          end

          private

          def held
            copy = ports.zone_migrations.copy_of(plan.name)
            copy if copy && now - copy.seen_at <= FRESH
          end
        end
      end
    end
  end
end
