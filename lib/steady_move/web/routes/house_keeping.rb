# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # First run, accounts, settings, people, and how the desk itself is.
      module HouseKeeping
        def self.registered(app)
          app.error(FirstRun::Closed) { |e| refuse(409, e.message) }
          app.error(Desk::People::Invalid, Desk::Places::Invalid, Desk::Settings::Invalid) { |e| refuse(422, sentence(e)) }
          arriving(app)
          places(app)
          people(app)
          status(app)
        end

        def self.arriving(app)
          app.post("/api/first-run") do
            given = body_as("FirstRun")
            house.first_run.administrator(given["word"], given["email"], given["password"])
            status 201
            json(email: given["email"].downcase)
          end

          app.post("/api/invitations/accept") do
            given = body_as("Acceptance")
            json(email: house.people.accept(given["word"], given["password"]))
          end
        end

        def self.places(app)
          app.post("/api/accounts") do
            account = Desk::Places.new(app_).account(body_as("NewAccount"), by: person[:email])
            status 201
            json(id: account.id)
          end

          app.post("/api/hosts") do
            given = body_as("NewHost")
            Desk::Places.new(app_).host(given, by: person[:email])
            status 201
            json(id: given["id"])
          end

          app.get("/api/settings") do
            json(app_.settings.shown)
          end

          app.post("/api/settings") do
            given = body_as("NewSetting")
            app_.settings.set(given["key"], given["value"], at: now)
            app_.journal.add("places", at: now, says: "#{person[:email]} set “#{given['key']}”.", by: person[:email])
            json(app_.connect.settings.shown)
          end
        end

        def self.people(app)
          app.get("/api/people") do
            json(people: house.people.all, roles: Desk::People::ROLES)
          end

          app.post("/api/people") do
            given = body_as("Invitation")
            status 201
            json(word: house.people.invite(given["email"], role: given["role"], by: person[:email]))
          end

          app.post("/api/people/:id/forget-factor") do |id|
            house.people.forget_factor(id.to_i, by: person[:email])
            json(people: house.people.all, roles: Desk::People::ROLES)
          end

          app.post("/api/people/:id") do |id|
            role = body_as("PersonChange")["role"]
            role ? house.people.change_role(id.to_i, role, by: person[:email]) : house.people.remove(id.to_i, by: person[:email])
            json(people: house.people.all, roles: Desk::People::ROLES)
          end
        end

        def self.status(app)
          app.get("/api/status") { json(house.status.report) }
        end
      end
    end
  end
end
