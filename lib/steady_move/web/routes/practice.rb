# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The practice world's clock and faults; there only where a practice world is.
      module Practice
        FARTHEST = 400 * 86_400

        def self.registered(app)
          app.helpers do
            def practice = house.practice || raise(Problem.new(404, "There is no practice world here."))
          end

          app.get("/api/practice") { json(practice.state) }

          app.post("/api/practice/clock") do
            given = body_as("MoveClock")
            state = practice.move_on(to: given["seconds"] && (now + given["seconds"]))
            house.hub.notify
            json(state)
          end

          app.post("/api/practice/faults") do
            given = body_as("Fault")
            practice.fault(given["id"], given["active"] ? given["detail"] || "on" : nil)
            json(practice.state)
          end
        end
      end
    end
  end
end
