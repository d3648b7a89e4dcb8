# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Who is signed in, what time it is, what changed, and the contract itself.
      module Session
        def self.registered(app)
          app.get("/api/session") do
            json(signed_in: !person.nil?, second_factor: half_way? == true, email: person ? person[:email] : nil, role: person ? person[:role] : nil, now: Views::Json.time(now),
                 csrf: Rack::Protection::AuthenticityToken.token(session), practice: !house.practice.nil?, first_run: house.first_run.open?, version: VERSION)
          end

          app.get("/api/me") do
            json(email: person[:email], role: person[:role], second_factor: app_.db[:account_otp_keys].where(id: person[:id]).any?)
          end

          app.get("/api/openapi.json") do
            content_type :json
            house.contract.json
          end

          app.get("/api/clock") { json(now: Views::Json.time(now), runs: house.practice.nil? || house.practice.runs?) }

          app.get("/api/events") do
            raise Problem.new(409, "Too many pages are open; close one.") if house.hub.full?

            headers "Cache-Control" => "no-store", "X-Accel-Buffering" => "no"
            content_type "text/event-stream"
            house.hub.stream
          end
        end
      end
    end
  end
end
