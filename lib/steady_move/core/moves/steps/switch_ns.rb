# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # As long as the name is at the losing side; where the servers become known only with the
        # order, once it has landed.
        SwitchNs =
          Step.declare("switch-ns") do
            family "switch-ns"
            order 140
            rail :records
            needs "compare-hosts", "ds-forgotten", "ttls-lowered"
            option :carry
            except :servers_landed
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :name_servers_shown, takes: SHOWS
            via :letter, proof: :name_servers_shown, takes: LETTER
            letter "name-servers"
            talks_to :losing
            undo "ns-back", "ns-back-settled"
            traits :servers
          end

        SwitchNsAfter =
          Step.declare("switch-ns-after") do
            family "switch-ns"
            order 612
            rail :records
            stage "Landed"
            needs "compare-hosts", "landed"
            option :servers_landed
            act "servers_after", at: :gaining
            via :connection
            via :page, proof: :name_servers_shown, takes: SHOWS
            via :letter, proof: :name_servers_shown, takes: LETTER
            letter "name-servers"
            talks_to :gaining
            traits :servers
          end
      end
    end
  end
end
