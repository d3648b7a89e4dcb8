# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Waits until the public record and the registry's own server show the new name servers.
        class NsShown < Act
          include Zonal

          def call
            wanted = new_host.name_servers.sort
            shown = public_record.name_servers.to_a.sort
            known = ports.servers.delegation(name)
            delegated, ttl = known
            if shown == wanted && (known.nil? || delegated == wanted)
              keep_answers
              return(
                done(
                  sentence(:done),
                  source: :record_and_parent,
                  ref: ports.dns.parent_server(name),
                  parent_ttl: ttl
                )
              )
            end
            wait(sentence(:not_yet), source: :record, look_at: now + 300)
          end
        end
      end
    end
  end
end
