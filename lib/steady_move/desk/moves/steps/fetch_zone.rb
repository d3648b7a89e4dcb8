# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The old host’s zone: by zone transfer where the host hands it over, else the newest copy
        # that a person got in another way. Reads only; a zone that is there already is fetched
        # anew.
        class FetchZone < Act
          include Zonal

          # A copy is good for so long (seconds).
          FRESH = 7 * 86_400

          def call
            host = old_host or return problem(sentence(:no_host), source: :desk, yours: true)
            server = host.name_servers.first
            zone = ports.dns.transfer(server, plan.name, key: Common::Zones.key(host))
            ports.zones.put(move.id, zone, at: now)
            ports.zone_migrations.keep_copy(
              plan.name,
              zone,
              source: "transfer",
              complete: true,
              left: [],
              by: "desk",
              at: now,
              says:
                sentence(
                  "records.complete.transfer",
                  sets: Words.sets(zone.content.size),
                  server: server
                )
            )
            done(
              sentence(:done, sets: Words.sets(zone.content.size), serial: zone.soa.values[2]),
              source: :zone_transfer,
              ref: server,
              **ttls(zone)
            )
          end

          def zone_kept
            copy = ports.zone_migrations.copy_of(plan.name)
            kept = copy && now - copy.seen_at <= FRESH ? copy : nil
            ports.zones.put(move.id, kept.zone, at: now) if kept
            Seen.new(
              done: !kept.nil?,
              says: kept && sentence(:kept, complete: kept.says),
              not_yet: sentence(:not_kept),
              source: :copy,
              data: kept ? ttls(kept.zone) : {}
            )
          end

          private

          def ttls(zone)
            {
              greatest: zone.greatest_ttl,
              negative: zone.negative_ttl,
              zone_ns: zone[zone.origin, "NS"]&.ttl || 3600
            }
          end
        end
      end
    end
  end
end
