# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What one rule says of one name. title: as people read it; effect: bar, wait, fix, caution or
      # step; clears_at: Time or nil; evidence: Facts it rests on; source: where the rule comes from
      # (Hash text, kind, verified); in_move: what a fix is to a move (Rulebook::IN_MOVE).
      Finding =
        Struct.new(
          :rule,
          :title,
          :effect,
          :because,
          :remedy,
          :clears_at,
          :evidence,
          :source,
          :in_move,
          keyword_init: true
        )
    end
  end
end
