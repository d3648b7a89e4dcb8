# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # Names one by one: looked up, noted, judged; and the accounts that hold them.
      module Names
        def self.registered(app)
          app.get("/api/note-kinds") do
            json(kinds: Desk::Notes::KINDS.map { |key, (kind, words)| { key: key, title: words.sub(/\A\w/, &:upcase), kind: kind.is_a?(Array) ? "choice" : kind, of: kind.is_a?(Array) ? kind : [] } })
          end

          app.post("/api/names/:name/note") do
            given = body_as("Note")
            Desk::Notes.new(app_).put(params["name"], given["key"], given["value"], by: person[:email])
            json(name_sheet(params["name"]))
          end

          app.post("/api/names/:name/let-go") do
            Desk::TakingIn.new(app_).let_go(params["name"], by: person[:email])
            json(gone: params["name"])
          end

          # All that a sheet shows bumps the name's revision, or the places' stamp.
          app.get("/api/names/:name") do
            content_type :json
            house.lists.fetch([:sheet, params["name"], params["at"] || now.to_i, params["to"], now.to_i, app_.names.marks]) { JSON.generate(name_sheet(params["name"])) }
          end

          app.post("/api/names/:name/look") do
            found = judged(params["name"])
            seen = Desk::Observe.new(app_).name(found.name, found.account)
            json(name_sheet(params["name"], problems: seen.problems))
          end

          people(app)
          accounts(app)
        end

        def self.people(app)
          app.error(Desk::Contacts::Invalid) { |e| refuse(422, sentence(e)) }

          app.post("/api/names/:name/contacts/prove") do
            id, word = Desk::Contacts.new(app_).prove(judged(params["name"]), body_as("Prove")["role"], by: person[:email])
            json(letter: id, word: word)
          end

          app.post("/api/names/:name/contacts/repair") do
            given = body_as("Repair")
            done = Desk::Contacts.new(app_).repair(judged(params["name"]), given["choice"], given["email"], by: person[:email])
            json(done: done.done, hand: Views::HandsView.hand(done.hand), mailto: done.mailto)
          end
        end

        def self.accounts(app)
          app.get("/api/accounts") do
            json(usual_destination: Desk::Destinations.usual(app_),
                 accounts: app_.accounts.all.map do |a|
 { id: a.id, title: a.title, registrar: a.registrar, kind: a.kind, connection: a.connection.slice("host", "port", "client"), prices: a.prices, ways: a.ways, site: a.habits["site"], support: a.habits["support"],
privacy_service: a.privacy_service&.fetch("title", nil) }
                 end,
                 hosts: app_.accounts.hosts.map { |h| { id: h.id, title: h.title, name_servers: h.name_servers, ends_with: h.ends_with } })
          end
        end
      end
    end
  end
end
