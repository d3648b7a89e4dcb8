# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Planning, starting, following and steering moves; the Desk.
      module Moves
        STEERING = { "approve" => :approve, "look" => :look_now, "call-off" => :call_off }.freeze

        def self.registered(app)
          planning(app)
          steering(app)

          app.get("/api/desk") do
            open = app_.moves.open
            cards, ended = moves_shown(open + app_.moves.ended(10)).partition.with_index { |_, i| i < open.size }
            json(now: Views::Json.time(now), lanes: %w[yours theirs clock].to_h { |t| [t, cards.select { |c| c[:turn] == t }] }, ended: ended)
          end

          app.get("/api/moves") { json(moves: moves_shown(app_.moves.all)) }
          app.get("/api/moves/:id") { |id| json(move_sheet(id)) }
        end

        def self.planning(app)
          app.post("/api/proposals") do
            given = body_as("NewMove")
            proposal = Desk::Planning.new(app_).propose(given["name"], to: given["to"], host: given["host"]) or
              raise Problem.new(422, "There is no such name, account or DNS host here.")
            json(Views::MoveView.proposal(proposal, now))
          end

          app.post("/api/moves") do
            given = body_as("NewMove")
            id = Desk::Planning.new(app_).start(given["name"], to: given["to"], host: given["host"], by: person[:email])
            house.engine.nudge
            status 201
            json(id: id)
          end
        end

        def self.steering(app)
          app.post("/api/moves/:id/:act") do |id, act|
            house.orders.public_send(STEERING.fetch(act), id.to_i, by: person[:email])
            house.engine.nudge
            json(move_sheet(id))
          end
        end
      end
    end
  end
end
