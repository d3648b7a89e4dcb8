# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        PrivacyBack =
          Step.declare("privacy-back") do
            order 630
            stage "Landed"
            actor :yours
            needs "landed"
            takes MINUTE, HOUR, DAY
            option :privacy_back
            act "privacy_back", at: :gaining
            via :page, :service, :letter, proof: :privacy_on
            letter "privacy-on"
            talks_to :record
            traits :covers, :waivable
          end
      end
    end
  end
end
