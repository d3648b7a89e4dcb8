# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Puts the long TTLs back, at the new host, once all has settled.
        class TtlsBack < Act
          include Zonal

          def call
            sets = restored_zone.content.select { |s| s.ttl > plan.lowered }
            intend(sentence(:sending, sets: Words.sets(sets.size))) do
              ports.dns.update(
                new_host.name_servers.first,
                plan.name,
                key: Common::Zones.key(new_host),
                remove: sets.map(&:id),
                add: sets.flat_map(&:to_a)
              )
            end
            done(sentence(:done), source: :dns_update, ref: new_host.name_servers.first)
          end

          def restored
            low =
              ttls_at(
                new_host.name_servers,
                restored_zone.content.select { |s| s.ttl > plan.lowered }
              )
            Seen.new(
              done: low.all? { |told, wanted| told && told >= [wanted, plan.lowered + 1].min },
              says: sentence(:shown),
              not_yet: sentence(:not_shown),
              source: :dns
            )
          end
        end
      end
    end
  end
end
