# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The people behind a name.
      module Contacts
        extend Answers

        on "proveMailbox" do
          id, word =
            Desk::Moves::Contacts.new(desk).prove(judged(asked[:name]), given["role"], by: me)
          { letter: id, word: word }
        end

        on "repairContact" do
          done =
            Desk::Moves::Contacts.new(desk).repair(
              judged(asked[:name]),
              given["choice"],
              given["email"],
              by: me
            )
          { done: done.done, hand: Views::ManualStepsView.hand(done.hand), mailto: done.mailto }
        end
      end
    end
  end
end
