# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Asks both hosts' servers for every record set, and the registry for the DS that stands
        # there, so that it is known before anything takes it away.
        class CompareHosts < Act
          include Signing
          include Zonal

          def call
            held = ds_held or return not_known
            servers = old_servers + new_host.name_servers
            bad =
              ports.servers.deviations(old_servers, old_zone) +
                ports.servers.deviations(new_host.name_servers, wanted_zone)
            keep_answers
            if bad.empty?
              key = gone? ? :old_gone : :new_alone
              key = :done if old_servers.any?
              sets = Words.sets(wanted_zone.content.size)
              return(
                done(
                  sentence(key, servers: servers.size, sets: sets),
                  source: :dns,
                  ref: servers.join(", "),
                  **held
                )
              )
            end

            problem(
              sentence(:differ, count: bad.size, what: bad.first(3).map(&:says).join("; ")),
              source: :dns,
              yours: true
            )
          end

          private

          # Once the name has landed its old host may serve the zone no longer: what counts is the
          # copy that was taken before.
          def gone? = plan.options.include?(:servers_landed) && state.landed?

          def old_servers
            gone? ? [] : old_host&.name_servers || plan.old_name_servers.to_a
          end

          # What is told of the DS; nil where a registry's server is known and does not say. A
          # registry that can't be asked leaves it unsaid.
          def ds_held
            return {} if !plan.options.include?(:signed) || state.told("ds")

            held, ttl = ports.servers.ds(name) || (return {})
            held && { ds: held, ds_ttl: ttl }
          end
        end
      end
    end
  end
end
