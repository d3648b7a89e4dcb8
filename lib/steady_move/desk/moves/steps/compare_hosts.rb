# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # Asks both hosts' servers for every record set.
      class CompareHosts < Act
        def call
          zone = ports.zones.of_move(move.id, plan.name)
          servers = (old_host&.name_servers || []) + new_host.name_servers
          bad = ports.servers.deviations(servers, zone)
          if bad.empty?
            return done(sentence(:done, servers: servers.size, sets: zone.content.size), source: :dns,
              ref: servers.join(", "))
          end

          problem(sentence(:differ, count: bad.size, what: bad.first(3).map(&:says).join("; ")), source: :dns,
            yours: true)
        end
      end
    end
  end
end
