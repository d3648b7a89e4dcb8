# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Replaces the content at the new host by the wanted zone; sending it twice gives the same
        # zone. By hand, or where the destination copies the zone, only the new servers' answers
        # prove it.
        class PutZone < Act
          include Zonal

          def call
            zone = wanted_zone
            sets = zone.content.size
            if there_already?(zone)
              return(
                done(
                  sentence(:held, sets: Words.sets(sets)),
                  source: :dns,
                  ref: new_host.name_servers.join(", ")
                )
              )
            end

            server = new_host.name_servers.first
            intend(sentence(:sending, sets: Words.sets(sets))) do
              ports.dns.update(
                server,
                plan.name,
                key: Common::Zones.key(new_host),
                remove: zone.content.map(&:id) | left_out,
                add: zone.content.flat_map(&:to_a)
              )
            end
            done(sentence(:done, sets: Words.sets(sets)), source: :dns_update, ref: server)
          end

          # Every new server answers every wanted set.
          def answers
            keep_answers
            zone = wanted_zone
            bad = ports.servers.deviations(new_host.name_servers, zone)
            sets = bad.map { |d| [d.name, d.type] }.uniq.size
            Seen.new(
              done: bad.empty?,
              says: sentence(:held, sets: Words.sets(zone.content.size)),
              source: :dns,
              not_yet:
                sentence(
                  :lacking,
                  sets: sets,
                  of: zone.content.size,
                  what: bad.first(3).map(&:says).join("; ")
                )
            )
          end

          private

          # An update whose answer was lost is found by asking.
          def there_already?(zone)
            state.tries(step.id).positive? &&
              ports.servers.deviations(new_host.name_servers, zone).empty?
          end

          # Sets of the old zone that a person leaves out, and that an earlier try may have put
          # there.
          def left_out = old_zone.content.map(&:id) - wanted_zone.content.map(&:id)
        end
      end
    end
  end
end
