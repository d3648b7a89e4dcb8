# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # After a move that did not land: the old name servers again, at the registrar and in the
        # old zone itself.
        class NsBack < Act
          def call
            return done(sentence(:nothing), source: :desk) if old_servers.empty?

            change(info(losing).name_servers)
            old_zone_again
            record = public_record
            if same?(record.name_servers.to_a)
              return(
                done(sentence(:done), source: :record, ref: record.url, back_set: new_zone_again)
              )
            end

            wait(sentence(:not_shown), source: :record, look_at: now + 300)
          end

          def back
            old_zone_again
            by_record { |r| same?(r.name_servers.to_a) }.tap do |seen|
              seen.data = { back_set: new_zone_again } if seen.done
            end
          end

          private

          def old_servers = plan.old_name_servers || old_host&.name_servers || []
          def same?(servers) = servers.sort == old_servers.sort

          def change(held)
            return if same?(held)

            change = {
              add: {
                name_servers: old_servers - held
              },
              rem: {
                name_servers: held - old_servers
              }
            }
            intend(sentence(:setting, servers: old_servers)) do |key|
              epp(losing, Commands.update(name: plan.name, id: key, **change))
            end
          end

          # Who learns the set from the new host then learns the old servers again (RFC 2181
          # §5.4.1). Returns whether so.
          def new_zone_again
            return false unless new_host && Common::Zones.key(new_host)

            ports.servers.change_own_set(name, new_host, old_servers)
            true
          rescue Wire::Error
            false
          end

          def old_zone_again
            if old_host && Common::Zones.key(old_host)
              ports.servers.change_own_set(name, old_host, old_servers)
            end
          rescue Wire::Error
            nil # the old host serves the zone all the same; its own set is looked at with the next move
          end
        end
      end
    end
  end
end
