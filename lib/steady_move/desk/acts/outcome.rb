# frozen_string_literal: true

module SteadyMove
  module Desk
    module Acts
      # What an act reports. kind: done, waiting, problem or ended; look_at: when to look again (nil: by back-off);
      # yours: only a person can help; data: for folding.
      Outcome = Struct.new(:kind, :says, :evidence, :data, :look_at, :yours, keyword_init: true)
    end
  end
end
