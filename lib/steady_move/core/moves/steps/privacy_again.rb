# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        PrivacyAgain =
          Step.declare("privacy-again") do
            order 920
            ending
            actor :yours
            takes MINUTE, HOUR, DAY
            act "privacy", at: :service
            via :page, :service, :letter, proof: :privacy_on
            letter "privacy-on"
            talks_to :record
            traits :covers, :waivable
          end
      end
    end
  end
end
