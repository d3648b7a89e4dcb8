# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        PrivacyOff =
          Step.declare("privacy-off") do
            order 230
            needs "consent", "identity", "ns-settled"
            spares :servers_late, "ns-settled"
            option :privacy
            act "privacy", at: :service
            via :page, :service, proof: :contacts_readable, takes: SHOWS
            via :letter, proof: :contacts_readable, takes: LETTER
            letter "privacy-off"
            undo "privacy-again"
            talks_to :record
          end
      end
    end
  end
end
