# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        NsBack =
          Step.declare("ns-back") do
            order 905
            rail :records
            ending
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :back, takes: SHOWS
            via :letter, proof: :back, takes: LETTER
            letter "old-name-servers"
            talks_to :losing
            traits :servers_back, :waivable
          end
      end
    end
  end
end
