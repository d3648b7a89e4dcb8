# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # The DNS has moved alone: name servers and records are looked at once more, and the
        # registration stayed where it was.
        class RecordsSettled < Act
          include Zonal

          def call
            shown = public_record.name_servers.to_a.sort
            bad = ports.servers.deviations(new_host.name_servers, wanted_zone)
            if shown == new_host.name_servers.sort && bad.empty?
              return(
                done(sentence(:done, host: new_host.title), source: :record, ref: shown.join(", "))
              )
            end

            what = bad.first(3).map(&:says)
            unless shown == new_host.name_servers.sort
              what << sentence(:other_servers, servers: shown)
            end
            problem(sentence(:differ, what: what), source: :record, yours: true)
          end
        end
      end
    end
  end
end
