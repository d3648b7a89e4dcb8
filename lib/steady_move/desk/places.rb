# frozen_string_literal: true

module SteadyMove
  module Desk
    # Adds and changes registrar accounts and DNS hosts as an administrator gives them.
    class Places
      # What can't be taken; says which member and what is expected.
      class Invalid < StandardError; end

      KINDS = %w[epp by_hand].freeze

      def initialize(app)
        @app = app
      end

      # given: Hash with String keys (see the contract's NewAccount). An empty password keeps the one that is held.
      # For EPP the connection is tried before anything is kept. Returns the Account; raises Invalid.
      def account(given, by:)
        kind = given["kind"]
        raise Invalid, "kind: “#{kind}” is not one of #{KINDS.join(', ')}" unless KINDS.include?(kind)

        account = build(given, kind)
        try(account) if kind == "epp"
        @app.accounts.put(account)
        note("#{by} set the account “#{account.title}”.", by)
        account
      end

      # given: Hash with id, title, name_servers, key_name, secret, ends_with. Raises Invalid.
      def host(given, by:)
        servers = given["name_servers"].map { |s| s.downcase.chomp(".") }
        raise Invalid, "name_servers: at least one is needed" if servers.empty?
        raise Invalid, "ends_with: there is no account “#{given['ends_with']}”" if given["ends_with"] && !@app.accounts.find(given["ends_with"])

        held = @app.accounts.host_of(given["id"])
        @app.accounts.put_host(Store::Accounts::Host.new(id: given["id"], title: given["title"], name_servers: servers, key_name: given["key_name"],
                                                         secret: filled(given["secret"]) || held&.secret, ends_with: given["ends_with"]))
        note("#{by} set the DNS host “#{given['title']}”.", by)
      end

      private

      def build(given, kind)
        held = @app.accounts.find(given["id"])
        connection = given.fetch("connection", {}).slice("host", "port", "client", "ca_file", "server_name", "certificate_file", "key_file").compact
        Store::Accounts::Account.new(id: given["id"], title: given["title"], registrar: given["registrar"], kind: kind, connection: connection, habits: (held&.habits || {}).merge(given.fetch("habits", {})).compact,
                                     prices: given.fetch("prices", held&.prices || {}), sender_domains: given.fetch("sender_domains", held&.sender_domains || []),
                                     secret: filled(given["password"]) || held&.secret)
      end

      def filled(text) = text.to_s.empty? ? nil : text

      def try(account)
        lacking = %w[host port client].reject { |k| account.connection.key?(k) }
        raise Invalid, "connection: #{lacking.join(', ')} missing" if lacking.any?
        raise Invalid, "password: it is missing" unless account.secret

        pool = Connections.new(timeout: 10)
        pool.with(account, &:itself)
        pool.close
      rescue Wire::Error => e
        raise Invalid, "The connection was tried and does not work: #{e.says}."
      rescue SystemCallError, OpenSSL::OpenSSLError => e
        raise Invalid, "A certificate or key file can't be read: #{e.message.lines.first.strip}"
      end

      def note(says, by) = @app.journal.add("places", at: @app.now, says: says, by: by)
    end
  end
end
