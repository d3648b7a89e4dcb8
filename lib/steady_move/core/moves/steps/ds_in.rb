# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        DsIn =
          Step.declare("ds-in") do
            order 170
            rail :records
            needs "ns-settled"
            option :signed
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :ds_shown, takes: SHOWS
            via :letter, proof: :ds_shown, takes: LETTER
            letter "new-ds"
            talks_to :losing
            traits :ds_new, :waivable
          end
      end
    end
  end
end
