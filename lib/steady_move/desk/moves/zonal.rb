# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What acts know of the zone that is carried: as it was, and as it shall be at the new host.
      module Zonal
        private

        # Asks every server, old, new and the registry's, so that what each answered is kept over
        # time; what can't be asked holds nothing up.
        def keep_answers
          ports.live_check.call(plan.name)
        rescue Refused
          nil # there is nothing to compare with yet
        end

        # As it was fetched.
        def old_zone = @old_zone ||= ports.zones.of_move(move.id, plan.name)

        # As it shall be at the new host: what was decided for each set, with lowered TTLs where
        # they are lowered.
        def wanted_zone
          @wanted_zone ||=
            ports.carrying.wanted(plan.name, old_zone, new_host, lowered: plan.lowered)
        end

        # The same with the TTLs that it shall have in the end.
        def restored_zone = ports.carrying.wanted(plan.name, old_zone, new_host, lowered: nil)

        def with_ttl(set, ttl)
          set.rdatas.map { |r| Core::Records::Record.new(name: set.name, ttl: ttl, rdata: r) }
        end

        # [[TTL that a server tells or nil, the set's own]] for every server and set.
        def ttls_at(servers, sets)
          servers
            .product(sets)
            .map do |server, set|
              told = ports.dns.query(server, set.name.to_s, set.type).set(set.name, set.type)
              [told.map(&:ttl).max, set.ttl]
            end
        end

        def lowered_everywhere?
          long = old_zone.answering.select { |s| s.ttl > plan.lowered }
          ttls_at(old_host.name_servers, long).all? { |told, _| told.nil? || told <= plan.lowered }
        end
      end
    end
  end
end
