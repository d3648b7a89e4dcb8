# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Sets the new host's name servers at the registrar that has the name then.
        class SwitchNs < Act
          def call
            held = info(side).name_servers
            wanted = new_host.name_servers
            add = wanted - held
            rem = held - wanted
            if add.any? || rem.any?
              intend(sentence(:setting, servers: wanted)) do |key|
                epp(
                  side,
                  Commands.update(
                    name: plan.name,
                    id: key,
                    add: {
                      name_servers: add
                    },
                    rem: {
                      name_servers: rem
                    }
                  )
                )
              end
            end
            done(sentence(:done), source: [:epp_update, { at: side.title }], ref: wanted.join(", "))
          end

          def name_servers_shown
            by_record { |r| r.name_servers.to_a.sort == new_host.name_servers.sort }
          end
        end
      end
    end
  end
end
