# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Unlock =
          Step.declare("unlock") do
            order 260
            needs "renew", "ns-settled"
            spares :servers_late, "ns-settled"
            option :lock
            eased :one_letter, "renew", "contacts-shown", "prove-contact", "ns-settled"
            act "unlock", at: :losing
            via :connection
            via :page, proof: :lock_off, takes: SHOWS
            via :letter, proof: :lock_off, takes: LETTER
            letter "unlock"
            undo "make-safe"
            talks_to :losing
          end
      end
    end
  end
end
