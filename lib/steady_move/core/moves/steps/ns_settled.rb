# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        NsSettled =
          Step.declare("ns-settled") do
            order 160
            rail :records
            needs "ns-shown", "old-ns-set"
            takes 0, 0, 0, by: :settle
            option :carry
            talks_to :dns
            traits :time, :caches
          end
      end
    end
  end
end
