# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Landed =
          Step.declare("landed") do
            order 610
            stage "Landed"
            actor :theirs
            needs "registry-pending", "release", "push"
            except :prepare, :dns_only
            takes 5 * MINUTE, 15 * MINUTE, 2 * HOUR
            talks_to :gaining
            traits :lands, :tells_end
          end
      end
    end
  end
end
