# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # At the losing side; after the landing where the servers were switched only then.
        DsIn =
          Step.declare("ds-in") do
            family "ds-in"
            order 170
            rail :records
            needs "ns-settled"
            option :signed
            except :servers_landed
            act "name_servers", at: :losing
            via :connection
            via :page, proof: :ds_shown, takes: SHOWS
            via :letter, proof: :ds_shown, takes: LETTER
            letter "new-ds"
            talks_to :losing
            traits :ds_new, :waivable
          end

        DsInAfter =
          Step.declare("ds-in-after") do
            family "ds-in"
            order 616
            rail :records
            stage "Landed"
            needs "ns-settled"
            option :ds_after
            act "servers_after", at: :gaining
            via :connection
            via :page, proof: :ds_shown, takes: SHOWS
            via :letter, proof: :ds_shown, takes: LETTER
            letter "new-ds"
            talks_to :gaining
            traits :ds_new, :waivable
          end
      end
    end
  end
end
