# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        Push =
          Step.declare("push") do
            order 430
            stage "Release"
            actor :yours
            needs "answers-before",
                  "renew",
                  "contacts-shown",
                  "prove-contact",
                  "ns-settled",
                  "ds-in",
                  "papers"
            takes HOUR, DAY, 5 * DAY
            spares :servers_late, "ns-settled", "ds-in"
            option :push
            act "push", at: :losing
            via :page, proof: :pushed, takes: REACHES
            via :letter, proof: :pushed, takes: LETTER
            letter "push"
            talks_to :record
            traits :orders, :tag
          end
      end
    end
  end
end
