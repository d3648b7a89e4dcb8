# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Identity =
          Step.declare("identity") do
            order 220
            actor :yours
            needs "consent", "ns-settled"
            takes MINUTE, HOUR, 2 * DAY
            spares :servers_late, "ns-settled"
            option :identity
            act "privacy", at: :service
            via :page, :letter, :service, proof: :identity_passed
            talks_to :record
          end
      end
    end
  end
end
