# frozen_string_literal: true

module SteadyMove
  module Desk
    # Looks a name up everywhere and keeps what was learnt as facts with source and age.
    class Observe
      Fact = Core::Readiness::Fact

      # What one look brought: the sources that answered, and a sentence for each that did not.
      Seen = Struct.new(:sources, :problems, keyword_init: true)

      def initialize(app)
        @app = app
      end

      # name: DomainName; account: Store::Accounts::Account that holds it. Never raises for the outside's faults.
      def name(name, account)
        problems = []
        facts = [
          attempt(problems, account.title) { from_account(name, account) if account.kind == "epp" },
          attempt(problems, "The public record") { from_public_record(name) }
        ].compact.flatten
        facts += about_dns(facts, account)
        @app.names.learn(name.ascii, facts) if facts.any?
        Seen.new(sources: facts.map(&:source).uniq, problems: problems)
      end

      private

      def attempt(problems, who)
        yield
      rescue Wire::Error => e
        problems << "#{who}: #{e.says}."
        nil
      end

      def from_account(name, account)
        data = @app.epp.with(account) { |c| c.request(Wire::Epp::Commands.info(name: name.ascii, id: "look-#{@app.random.rand(10**9)}")) }.data
        facts(:account, "EPP info at #{account.title}", statuses: data.statuses, expires_at: data.expires_at, created_at: data.created_at,
                                                       transferred_at: data.transferred_at, name_servers: data.name_servers)
      end

      def from_public_record(name)
        data = @app.rdap.domain(name)
        facts(:public_record, data.url, statuses: data.statuses, expires_at: data.expires_at, created_at: data.created_at,
                                        transferred_at: data.transferred_at, name_servers: data.name_servers,
                                        registrar: data.registrar, signed: data.signed)
      end

      # Which DNS host serves the name, and whether its zone ends with this account.
      def about_dns(facts, account)
        servers = facts.find { |f| f.key == :name_servers }&.value or return []
        host = @app.accounts.host_serving(servers) or return []
        facts(:desk, "Accounts: DNS hosts", dns_host: host.title, zone_ends_with_account: host.ends_with == account.id && host.title)
      end

      def facts(source, ref, **values)
        values.compact.map { |key, value| Fact.new(key: key, value: value, source: source, seen_at: @app.now, ref: ref) }
      end
    end
  end
end
