# frozen_string_literal: true

module Practice
  module DeskSide
    # Fills an empty desk with the scenario's accounts and DNS hosts, and takes the names in over
    # the accounts' own connections and the public record, as a person would.
    class Seed
      Accounts = SteadyMove::Store::Accounts

      def initialize(app, endpoints, scenario)
        @app = app
        @endpoints = endpoints
        @scenario = scenario
      end

      # Does nothing where the desk is filled already.
      def call(by:)
        return if @app.accounts.all.any?

        @scenario.hosts.each do |id, row|
          @app.accounts.put_host(host(id, row)) unless row["signed_up_at"]
        end
        @scenario.registrars.each { |id, row| @app.accounts.put(account(id, row)) }
        proofs
        @scenario
          .names
          .group_by { |n| n["at"] }
          .each do |id, names|
            take_in(id, names.reject { |n| n["listed_only"] }.map { |n| n["name"] }, by)
          end
        @scenario.names.each do |row|
          list(row) if row["listed_only"]
          remember(row, by)
        end
        Past.new(@app, @scenario).call(by: by)
      end

      # Where the world's servers are now, for accounts and hosts that are kept already.
      def places_again
        @scenario.registrars.each do |id, row|
          held = @app.accounts.find(id)&.dup or next
          fresh = account(id, row)
          held.connection = fresh.connection
          held.habits = held.habits.merge(fresh.habits.slice("site", "privacy_service"))
          @app.accounts.put(held)
        end
        @scenario.hosts.each do |id, row|
          held = @app.accounts.host_of(id)&.dup or next
          held.habits = held.habits.merge(host(id, row).habits.slice("site"))
          @app.accounts.put_host(held)
        end
      end

      private

      def take_in(account, names, by)
        imports = SteadyMove::Desk::Portfolio::Imports.new(@app)
        choices = SteadyMove::Core::Imports::Choices.none
        choices.account = account
        imports.go_on(imports.start(names.join("\n"), choices, by: by))
      end

      # A name that somebody wrote on the list and no registry knows.
      def list(row)
        name = SteadyMove::Core::Names::DomainName.parse(row["name"])
        account = @app.accounts.find(row["at"])
        @app.names.put(name, account.id, at: @app.now)
        SteadyMove::Desk::Portfolio::Observe.new(@app).name(name, account)
      end

      # What a person would have noted by hand, and a code that was kept.
      def remember(row, by)
        notes = SteadyMove::Desk::Portfolio::Notes.new(@app)
        (row["notes"] || {}).each { |key, value| notes.put(row["name"], key, value, by: by) }
        return unless (code = row["held_code"])

        at = @app.now - (code["age"] * Scenario::DAY)
        @app.codes.keep(
          row["name"],
          format("old-%s-27", row["name"].slice(0, 5)),
          at: at,
          state: code["rejected"] ? "rejected" : "held"
        )
      end

      def account(id, row)
        by_hand = row["kind"] == "by_hand"
        connection =
          (
            if by_hand
              {}
            else
              {
                "host" => "127.0.0.1",
                "port" => @endpoints["ports"]["epp-#{id}"],
                "client" => row["login"],
                "ca_file" => @endpoints["ca_file"]
              }
            end
          )
        SteadyMove::Core::Accounts::Account.new(
          id: id,
          title: row["title"],
          registrar: row["title"],
          kind: by_hand ? "by_hand" : "epp",
          connection: connection,
          habits: habits(id, row),
          prices: row["prices"],
          sender_domains: [row["habits"]["sender"].partition("@").last],
          secret: by_hand ? nil : row["password"]
        )
      end

      # What a person saw at a destination, days before the start.
      def ready(row)
        (row["ready"] || {}).to_h do |key, said|
          at = @scenario.start - (said["age"] * Scenario::DAY)
          [key, said.except("age").merge("at" => at, "by" => "ada@saltern-office.example")]
        end
      end

      # What a person would have written down about the account.
      def habits(id, row)
        service =
          row["service"]&.slice("title", "login", "identity", "writes_from")&.merge(
            "site" => counter("service-#{id}")
          )
        (row["takes"] || {}).merge(row["knows"] || {}).merge(
          {
            "privacy" => row["habits"]["privacy"],
            "privacy_service" => service,
            "login" => row["login"],
            "site" => (counter(id) unless row["counter"] == false),
            "ready" => (ready(row) if row["ready"])
          }.compact
        )
      end

      def counter(place) = "http://127.0.0.1:#{@endpoints["ports"]["http"]}/counter/#{place}/"

      # What earlier proofs of mailboxes showed.
      def proofs
        @scenario.proven.each do |address, day|
          @app.letters.mailbox(address, "proven", at: @scenario.start + (day * Scenario::DAY))
        end
      end

      def host(id, row)
        key = row["key"] || {}
        habits =
          (row["knows"] || {}).merge(row["counter"] ? { "site" => counter("host-#{id}") } : {})
        Accounts::Host.new(
          id: id,
          title: row["title"],
          name_servers: row["name_servers"],
          key_name: key["name"],
          secret: key["secret"],
          ends_with: row["ends_with"],
          habits: habits
        )
      end
    end
  end
end
