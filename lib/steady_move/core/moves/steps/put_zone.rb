# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        PutZone =
          Step.declare("put-zone") do
            order 120
            rail :records
            needs "fetch-zone", "servers-known"
            option :carry
            act "records", at: :new_host
            via :connection
            via :page, proof: :answers, takes: SHOWS
            via :copy, proof: :answers, takes: LETTER
            talks_to :dns
            traits :sheet
          end
      end
    end
  end
end
