# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names, what is known and judged of them, and the accounts that hold them.
      module Names
        def self.registered(app)
          app.get("/api/names") do
            given = house.contract.query("/api/names", params)
            at = Contract.instant(given[:at]) || now
            accounts = app_.accounts.all.to_h { |a| [a.id, a] }
            raise Problem.new(422, "to: there is no account “#{given[:to]}”.") if given[:to] && !accounts.key?(given[:to])

            picture, was = app_.portfolio.pictures(at: at, now: now, to: given[:to])
            next working(picture) if picture.is_a?(Desk::Portfolio::Working)

            found = Desk::NamesQuery.new(given, Desk::NamesQuery.titles(accounts)).call(picture, was)
            json(Views::NameList.page(found, accounts, at: at, now: now, offset: given.fetch(:offset, 0)))
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
