# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # A year more at the losing registrar, before anything else, where the name would expire on
        # the way.
        Renew =
          Step.declare("renew") do
            order 205
            option :renew
            act "renew", at: :losing
            via :connection
            via :page, proof: :renewed, takes: SHOWS
            via :letter, proof: :renewed, takes: LETTER
            letter "renew"
            talks_to :losing
            traits :renews
          end
      end
    end
  end
end
