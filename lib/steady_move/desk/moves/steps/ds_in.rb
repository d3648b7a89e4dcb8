# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Puts the DS of the new host's keys into the registry, where the new host signs; else the
        # name stays unsigned.
        class DsIn < Act
          include Signing

          def call
            wanted = wanted_ds
            return done(sentence(:unsigned), source: :dns) if wanted.empty?

            missing = wanted - (shown_ds || (return not_known))
            change_ds(:adding, add: { ds: missing }) if missing.any?
            done(sentence(:done), source: [:epp_update, { at: side.title }], ref: wanted.join("; "))
          end

          def ds_shown
            wanted = wanted_ds
            return Seen.new(done: true, says: sentence(:unsigned), source: :dns) if wanted.empty?

            seen = by_parents { |shown| (wanted - shown).empty? }
            seen.data = { Common::Zones::DS_WANTED.to_sym => wanted }
            seen
          end

          private

          def wanted_ds = ports.servers.ds_wanted(name, new_host.name_servers)
        end
      end
    end
  end
end
