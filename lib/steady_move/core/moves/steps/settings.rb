# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Settings =
          Step.declare("settings") do
            order 635
            stage "Landed"
            actor :yours
            needs "landed"
            takes MINUTE, HOUR, 2 * DAY
            option :settings
            act "settings", at: :gaining
            via :page, proof: :on_word
            talks_to :record
            traits :word, :settings, :waivable
          end
      end
    end
  end
end
