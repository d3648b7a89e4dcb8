# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # Fetches the old host's zone. Reads only; a zone that is there already is fetched anew.
      class FetchZone < Act
        def call
          host = old_host or return problem(sentence(:no_host), source: :desk, yours: true)
          server = host.name_servers.first
          zone = ports.dns.transfer(server, plan.name, key: Zones.key(host))
          ports.zones.put(move.id, zone, at: now)
          done(sentence(:done, sets: zone.content.size, serial: zone.soa.values[2]), source: :zone_transfer,
            ref: server,
            greatest: zone.greatest_ttl, negative: zone.negative_ttl, zone_ns: zone[zone.origin, "NS"]&.ttl || 0)
        end
      end
    end
  end
end
