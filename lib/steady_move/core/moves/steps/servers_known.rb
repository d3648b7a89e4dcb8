# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        ServersKnown =
          Step.declare("servers-known") do
            order 116
            rail :records
            needs "fetch-zone"
            adds :servers_late, "order"
            option :later
            act "servers", at: :gaining
            via :page, proof: :servers_told, takes: LETTER
            talks_to :desk
            traits :new_servers
          end
      end
    end
  end
end
