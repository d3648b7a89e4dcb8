# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # What an act reports. kind: done, waiting, problem, ended (the transfer is over) or resumed
      # (the name had been released before an end took effect); says: Phrase; look_at: when to look
      # again (nil: by back-off); yours: only a person can help; data: for folding.
      Outcome = Struct.new(:kind, :says, :evidence, :data, :look_at, :yours, keyword_init: true)
    end
  end
end
