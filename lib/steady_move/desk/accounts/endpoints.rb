# frozen_string_literal: true

module SteadyMove
  module Desk
    # Adds and changes registrar accounts and DNS hosts as an administrator gives them.
    class Endpoints
      KINDS = %w[epp by_hand].freeze
      CONNECTION = %w[host port client ca_file server_name certificate_file key_file].freeze

      def initialize(app)
        @app = app
      end

      # given: Hash with String keys (see the contract's NewAccount). An empty password keeps the one that is held.
      # For EPP the connection is tried before anything is kept. Returns the Account; raises Refused.
      def account(given, by:)
        kind = given["kind"]
        invalid(:no_such_kind, given: kind, known: KINDS) unless KINDS.include?(kind)

        account = build(given, kind)
        try(account) if kind == "epp"
        @app.accounts.put(account)
        note("account_set", by, title: account.title)
        account
      end

      # given: Hash with id, title, name_servers, key_name, secret, ends_with. Raises Refused.
      def host(given, by:)
        servers = given["name_servers"].map { |s| s.downcase.chomp(".") }
        invalid(:host_without_servers) if servers.empty?
        ends = given["ends_with"]
        invalid(:host_ends_with_nobody, given: ends) if ends && !@app.accounts.find(ends)

        held = @app.accounts.host_of(given["id"])
        secret = filled(given["secret"]) || held&.secret
        @app.accounts.put_host(Store::Accounts::Host.new(id: given["id"], title: given["title"], name_servers: servers,
          ends_with: ends,
          key_name: given["key_name"], secret: secret))
        note("host_set", by, title: given["title"])
      end

      private

      def invalid(key, **values) = raise(Refused.new(:invalid, key, **values))

      def build(given, kind)
        held = @app.accounts.find(given["id"])
        connection = given.fetch("connection", {}).slice(*CONNECTION).compact
        habits = (held&.habits || {}).merge(given.fetch("habits", {})).compact
        Store::Accounts::Account.new(id: given["id"], title: given["title"], registrar: given["registrar"], kind: kind,
          connection: connection, habits: habits, prices: given.fetch("prices", held&.prices || {}),
          sender_domains: given.fetch("sender_domains", held&.sender_domains || []),
          secret: filled(given["password"]) || held&.secret)
      end

      def filled(text) = text.to_s.empty? ? nil : text

      def try(account)
        lacking = %w[host port client].reject { |k| account.connection.key?(k) }
        invalid(:connection_lacks, lacking: lacking) if lacking.any?
        invalid(:password_missing) unless account.secret

        pool = Connections.new(timeout: 10)
        pool.with(account, &:itself)
        pool.close
      rescue Wire::Error => e
        invalid(:connection_tried, says: e.says)
      rescue SystemCallError, OpenSSL::OpenSSLError => e
        invalid(:certificate_unreadable, says: e.message.lines.first.strip)
      end

      def note(key, by, **values)
        @app.journal.add("places", at: @app.now, says: Words.phrase("journal.#{key}", by: by, **values), by: by)
      end
    end
  end
end
