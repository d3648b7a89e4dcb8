# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        TtlsBack =
          Step.declare("ttls-back") do
            order 172
            rail :records
            needs "ns-settled"
            option :lower
            act "records", at: :new_host
            via :connection
            via :page, proof: :restored, takes: SHOWS
            talks_to :dns
            traits :sheet, :waivable
          end
      end
    end
  end
end
