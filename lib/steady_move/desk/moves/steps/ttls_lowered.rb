# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until no cache holds a long TTL of the old zone any more: its greatest before, from
        # the instant at which the lower ones were seen.
        class TtlsLowered < Act
          include Zonal

          def call
            seen = state[state.plan.with_trait(:lowers).id].done_at
            ends = seen + state.told("greatest").data["greatest"]
            return wait(sentence(:waiting, until: ends), source: :ttls, look_at: ends) if now < ends

            return done(sentence(:not_lowered), source: :dns) unless lowered_everywhere?

            done(
              sentence(:done, ttl: plan.lowered),
              source: :ttls_then_dns,
              greatest: plan.lowered,
              negative: state.told("greatest").data["negative"],
              zone_ns: state.told("greatest").data["zone_ns"]
            )
          end
        end
      end
    end
  end
end
