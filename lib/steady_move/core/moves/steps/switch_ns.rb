# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        SwitchNs =
          Step.declare("switch-ns") do
            order 140
            rail :records
            needs "compare-hosts", "ds-forgotten", "ttls-lowered"
            option :carry
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :name_servers_shown, takes: SHOWS
            via :letter, proof: :name_servers_shown, takes: LETTER
            letter "name-servers"
            talks_to :losing
            undo "ns-back", "ns-back-settled"
            traits :servers
          end
      end
    end
  end
end
