# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        # Every name server is asked once more, just before the order: what it answers then must
        # hold after the landing.
        AnswersBefore =
          Step.declare("answers-before") do
            order 405
            rail :records
            needs "keep-zone",
                  "renew",
                  "papers",
                  "lock-gone",
                  "check-code",
                  "contacts-shown",
                  "prove-contact"
            option :keep_zone
            takes 1, 5, MINUTE
            talks_to :dns
            traits :waivable
          end
      end
    end
  end
end
