# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # New name servers that come by mail only after sign-up: from the welcome mail, or typed by
        # a person.
        class ServersKnown < Act
          def servers_told
            servers = new_host.name_servers
            Seen.new(
              done: servers.any?,
              says: servers.any? && sentence(:told, servers: servers),
              not_yet: sentence(:not_told),
              source: :mailbox
            )
          end
        end
      end
    end
  end
end
