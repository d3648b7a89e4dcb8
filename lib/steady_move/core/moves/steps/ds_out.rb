# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        DsOut =
          Step.declare("ds-out") do
            order 132
            rail :records
            needs "compare-hosts"
            eased :servers_late, "fetch-zone"
            option :signed
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :ds_gone, takes: SHOWS
            via :letter, proof: :ds_gone, takes: LETTER
            letter "ds"
            talks_to :losing
            undo "ds-again"
            traits :ds_gone
          end
      end
    end
  end
end
