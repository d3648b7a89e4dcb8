# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Lowers the TTLs at the old host, so that every cache forgets it soon once the name servers
        # change (rules of the job §6, step 1).
        class LowerTtls < Act
          include Zonal

          def call
            sets = old_zone.content.select { |s| s.ttl > plan.lowered }
            return done(sentence(:nothing), source: :dns) if sets.empty? || lowered_everywhere?

            intend(sentence(:sending, sets: Words.sets(sets.size))) do
              ports.dns.update(
                old_host.name_servers.first,
                plan.name,
                key: Common::Zones.key(old_host),
                remove: sets.map(&:id),
                add: sets.flat_map { |s| with_ttl(s, plan.lowered) }
              )
            end
            done(
              sentence(:done, ttl: plan.lowered),
              source: :dns_update,
              ref: old_host.name_servers.first
            )
          end

          def lowered
            Seen.new(
              done: lowered_everywhere?,
              says: sentence(:shown, ttl: plan.lowered),
              not_yet: sentence(:not_shown),
              source: :dns
            )
          end
        end
      end
    end
  end
end
