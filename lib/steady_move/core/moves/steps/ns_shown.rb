# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        NsShown =
          Step.declare("ns-shown") do
            order 150
            rail :records
            actor :theirs
            needs "switch-ns"
            eased :servers_landed, "switch-ns-after"
            takes(*SHOWS)
            option :carry
            talks_to :record
          end
      end
    end
  end
end
