# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        KeptReady =
          Step.declare("kept-ready") do
            order 450
            stage "Release"
            actor :theirs
            needs "hand-over"
            takes HOUR, 5 * DAY, 10 * DAY, by: :kept
            option :prepare
            talks_to :record
            traits :settles, :waivable
          end
      end
    end
  end
end
