# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # Takes the DS away at the registry, before the name servers change: with it a resolver that
        # validates would take the new host's answers for forged (RFC 6781 §4.3.5).
        class DsOut < Act
          include Signing

          def call
            return done(sentence(:none), source: :registry) if shown_ds == []

            change_ds(:removing, rem: { ds: :all })
            done(sentence(:done), source: [:epp_update, { at: losing.title }])
          end

          def ds_gone = by_parents(&:empty?)
        end
      end
    end
  end
end
