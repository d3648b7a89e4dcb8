# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # Takes the DS away at the registry, before the name servers change: with it a resolver that validates would take
      # the new host's answers for forged (RFC 6781 §4.3.5).
      class DsOut < Act
        include Signing

        def call
          remove_ds unless shown_ds == []
          done(sentence(:done), source: [:epp_update, { at: losing.title }])
        end

        def ds_gone = by_parents(&:empty?)

        private

        def remove_ds
          intend(sentence(:removing)) do |key|
            epp(losing, Commands.update(name: plan.name, id: key, rem: { ds: :all }))
          end
        end
      end
    end
  end
end
