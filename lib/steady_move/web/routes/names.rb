# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names, what is known and judged of them, and the accounts that hold them.
      module Names
        def self.registered(app)
          app.get("/api/names") do
            at = Contract.instant(params["at"]) || now
            json(at: Views::Json.time(at), names: Desk::Judging.new(app_).all(at: at).map { |j| Views::NameView.row(j) })
          end

          app.post("/api/names") do
            need "mover"
            given = body_as("TakeIn")
            account = app_.accounts.find(given["account"]) or raise Problem.new(422, "account: there is no account “#{given['account']}”.")
            json(lines: Desk::TakingIn.new(app_).call(given["text"], account, by: person[:email]).map(&:to_h))
          end

          app.get("/api/names/:name") do
            json(Views::NameView.sheet(judged(params["name"]), app_.journal.of_name(params["name"])))
          end

          app.post("/api/names/:name/look") do
            found = judged(params["name"])
            seen = Desk::Observe.new(app_).name(found.name, found.account)
            json(Views::NameView.sheet(judged(params["name"]), app_.journal.of_name(params["name"]), problems: seen.problems))
          end

          app.get("/api/accounts") do
            json(usual_destination: app_.moves.usual_destination,
                 accounts: app_.accounts.all.map { |a| { id: a.id, title: a.title, registrar: a.registrar, kind: a.kind, connection: a.connection.slice("host", "port", "client"), prices: a.prices } },
                 hosts: app_.accounts.hosts.map { |h| { id: h.id, title: h.title, name_servers: h.name_servers, ends_with: h.ends_with } })
          end
        end
      end
    end
  end
end
