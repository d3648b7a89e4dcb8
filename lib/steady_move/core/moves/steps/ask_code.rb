# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        AskCode =
          Step.declare("ask-code") do
            order 280
            needs "contacts-shown", "prove-contact", "ns-settled"
            takes(*MOMENTS, by: :code)
            spares :servers_late, "ns-settled"
            option :ask
            act "code", at: :losing
            via :page, :mail, proof: :code_held, takes: SHOWS
            via :letter, proof: :code_held, takes: LETTER
            letter "code"
            traits :code, :paste, :reason
          end
      end
    end
  end
end
