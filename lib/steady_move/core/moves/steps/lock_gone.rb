# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        LockGone =
          Step.declare("lock-gone") do
            order 270
            actor :theirs
            needs "unlock"
            takes(*SHOWS)
            option :lock
            talks_to :record
            traits :lock
          end
      end
    end
  end
end
