# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        LockBack =
          Step.declare("lock-back") do
            order 620
            stage "Landed"
            needs "landed"
            eased :servers_landed, "landed", "ns-shown", "ds-in-after"
            option :lock_back
            act "lock_back", at: :gaining
            via :connection
            via :page, proof: :lock_on, takes: SHOWS
            via :letter, proof: :lock_on, takes: LETTER
            letter "lock"
            talks_to :gaining
            traits :waivable
          end
      end
    end
  end
end
