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
            old_servers = old_host&.name_servers || plan.old_name_servers.to_a
            servers = old_servers + new_host.name_servers
            bad =
              ports.servers.deviations(old_servers, old_zone) +
                ports.servers.deviations(new_host.name_servers, wanted_zone)
            keep_answers
            if bad.empty?
              key = old_servers.any? ? :done : :new_alone
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
