# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # Replaces the content at the new host by the old zone's; sending it twice gives the same zone.
      class PutZone < Act
        def call
          zone = ports.zones.of_move(move.id, plan.name)
          sets = zone.content.size
          if there_already?(zone)
            return done(sentence(:held, sets: sets), source: :dns,
              ref: new_host.name_servers.join(", "))
          end

          server = new_host.name_servers.first
          intend(sentence(:sending, sets: sets)) do
            ports.dns.update(server, plan.name, key: Zones.key(new_host), remove: zone.content.map(&:id),
              add: zone.content.flat_map(&:to_a))
          end
          done(sentence(:done, sets: sets), source: :dns_update, ref: server)
        end

        private

        # An update whose answer was lost is found by asking.
        def there_already?(zone)
          state.tries(step.id).positive? && ports.servers.deviations(new_host.name_servers, zone).empty?
        end
      end
    end
  end
end
