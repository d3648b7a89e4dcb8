# frozen_string_literal: true

module Practice
  module DeskSide
    # Fills an empty desk with the scenario's accounts and DNS hosts, and takes the names in over the accounts'
    # own connections and the public record, as a person would.
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

        @scenario.hosts.each { |id, row| @app.accounts.put_host(host(id, row)) }
        @scenario.registrars.each { |id, row| @app.accounts.put(account(id, row)) }
        @scenario.names.group_by { |n| n["at"] }.each do |id, names|
          SteadyMove::Desk::TakingIn.new(@app).call(names.map { |n| n["name"] }.join("\n"), @app.accounts.find(id), by: by)
        end
        Past.new(@app, @scenario).call(by: by)
      end

      private

      def account(id, row)
        connection = { "host" => "127.0.0.1", "port" => @endpoints["ports"]["epp-#{id}"], "client" => row["login"], "ca_file" => @endpoints["ca_file"] }
        Accounts::Account.new(id: id, title: row["title"], registrar: row["title"], kind: "epp", connection: connection, habits: {},
                              prices: row["prices"], sender_domains: [row["habits"]["sender"].partition("@").last], secret: row["password"])
      end

      def host(id, row)
        Accounts::Host.new(id: id, title: row["title"], name_servers: row["name_servers"], key_name: row["key"]["name"],
                           secret: row["key"]["secret"], ends_with: row["ends_with"])
      end
    end
  end
end
