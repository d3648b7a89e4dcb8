# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names taken in, from what somebody typed or from a table; and how far longer work has come.
      module TakingIn
        def self.registered(app)
          app.post("/api/names") do
            given = body_as("TakeIn")
            account = app_.accounts.find(given["account"]) or raise Problem.new(422, "account: there is no account “#{given['account']}”.")
            taking = Desk::TakingIn.new(app_)
            wishes = given["columns"] ? Desk::TakingIn.table(given["text"], given["columns"]) : Desk::TakingIn.words(given["text"])
            who = person[:email]
            job(house.jobs.start(by: who, of: wishes.size) { |j| taking.call(wishes, account, by: who) { j.done += 1 } }) { |lines| { lines: lines.map(&:to_h) } }
          end

          app.post("/api/names/table") do
            json(Desk::TakingIn.look(body_as("Table")["text"]))
          end

          app.get("/api/jobs/:id") do |id|
            found = house.jobs.find(id, by: person[:email]) or raise Problem.new(404, "There is no such work of yours.")
            job(found) { |lines| { lines: lines.map(&:to_h) } }
          end
        end
      end
    end
  end
end
