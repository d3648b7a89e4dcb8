# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      module Steps
        ContactsShown =
          Step.declare("contacts-shown") do
            order 240
            actor :theirs
            needs "privacy-off"
            takes(*SHOWS)
            option :privacy
            talks_to :record
            traits :exposes
          end
      end
    end
  end
end
