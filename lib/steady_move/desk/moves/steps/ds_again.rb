# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # After a move that did not land: the DS that was taken away stands at the registry again.
        class DsAgain < Act
          include Signing

          def call
            skipped = without
            return skipped if skipped

            return wait(sentence(:not_back), source: :registry, look_at: now + 300) unless back?

            missing = old_ds - (shown_ds || (return not_known))
            return done(sentence(:done), source: :registry) if missing.empty?

            change_ds(:adding, add: { ds: missing })
            wait(sentence(:not_shown), source: :registry, look_at: now + 300)
          end

          def by_hand = without || super
          def ds_there = by_parents { |shown| (old_ds - shown).empty? }

          private

          # The name servers stay at the new host: the old DS would make the name bogus there.
          def stays? = !state.told("stays_new").nil?

          # Does the registry lead to the old servers again? Else the DS would make the name bogus.
          def back?
            servers = ports.servers.delegation(name)&.first || public_record.name_servers.to_a
            plan.old_name_servers.nil? || servers.sort == plan.old_name_servers.sort
          end

          # Where no DS is to be put back: the name stays at the new host, or nobody knows which DS
          # it was.
          def without
            return done(sentence(:stays), source: :desk) if stays?

            done(sentence(:none_known), source: :desk) if old_ds.empty?
          end

          def old_ds = state.told("ds")&.data&.fetch("ds", nil).to_a
        end
      end
    end
  end
end
