# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        CheckLanded =
          Step.declare("check-landed") do
            order 640
            stage "Landed"
            needs "lock-back", "privacy-back", "settings", "landed", "ns-settled", "ttls-back"
            adds :ds_after, "ds-in-after"
            except :prepare, :dns_only
            takes(*SHOWS)
            talks_to :gaining
            traits :settles, :waivable
          end
      end
    end
  end
end
