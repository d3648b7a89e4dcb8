# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The practice world's clock and faults; there only where a practice world is.
      module Practice
        extend Answers

        FARTHEST = 400 * 86_400

        # The practice world, where there is one.
        module Helpers
          def practice = application.practice || raise(Problem.say(404, :no_practice))
        end

        on("practice") { practice.state }

        on "moveClock" do
          seconds = given["seconds"]
          state = seconds ? practice.move_on(to: now + seconds) : practice.move_on_to_news
          application.hub.notify
          state
        end

        on "letHappen" do
          state = practice.let_happen(given["id"])
          application.hub.notify
          state
        rescue ArgumentError
          raise Problem.say(409, :happened_already)
        end

        on "setFault" do
          practice.fault(given["id"], given["active"] ? given["detail"] || "on" : nil)
          practice.state
        end
      end
    end
  end
end
