# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        DsAgain =
          Step.declare("ds-again") do
            order 908
            rail :records
            needs "ns-back-settled"
            ending
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :ds_there, takes: SHOWS
            via :letter, proof: :ds_there, takes: LETTER
            letter "old-ds"
            talks_to :losing
            traits :ds_old, :waivable
          end
      end
    end
  end
end
