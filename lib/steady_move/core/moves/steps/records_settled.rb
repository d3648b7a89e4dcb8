# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        RecordsSettled =
          Step.declare("records-settled") do
            order 690
            rail :records
            stage "Settled"
            needs "ns-settled", "ds-in", "ttls-back"
            option :dns_only
            talks_to :record
            traits :settles, :waivable
          end
      end
    end
  end
end
