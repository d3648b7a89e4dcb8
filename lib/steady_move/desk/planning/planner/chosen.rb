# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      class Planner
        # What a person chose. host: DNS host id, or nil to keep the name servers; aims: what shall
        # hold afterwards, where it differs from the account's own (Core::Moves::TargetSettings), Hash or nil;
        # choice: of Core::Records::CarryChoices, where the host alone doesn't say it; lower: are TTLs
        # lowered first, nil where the desk decides; late: where the name may expire on the way,
        # “renew” it first, or “go” all the same.
        Chosen = Struct.new(:host, :aims, :choice, :lower, :late, keyword_init: true)
      end
    end
  end
end
