# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Sets the new name servers in the old zone's own NS set, too: who learns the set from there
        # then learns the new ones (RFC 2181 §5.4.1). Where the old host doesn't take it, the wait
        # is longer.
        class OldNsSet < Act
          def call
            host = old_host
            return left(sentence(:no_host)) unless host && Common::Zones.key(host)

            intend(sentence(:setting)) do
              ports.servers.change_own_set(name, host, new_host.name_servers)
            end
            done(sentence(:done), source: :dns_update, ref: host.name_servers.first, old_set: true)
          rescue Wire::Refused => e
            left(sentence(:refused, says: e.says))
          end

          private

          def left(says) = done(says, source: :dns, old_set: false)
        end
      end
    end
  end
end
