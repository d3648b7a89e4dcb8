# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        CheckLanded = Step.declare("check-landed") do
          order 640
          stage "Landed"
          needs "lock-back", "privacy-back", "settings", "landed"
          except :prepare
          takes(*SHOWS)
          talks_to :gaining
          marks :settles, :waivable
        end
      end
    end
  end
end
