# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Accounts and DNS hosts as JSON, without secrets.
      module AccountView
        # What screens besides its own form ask of it.
        HABITS = %w[site support paid_by copies_zone gives_servers].freeze

        module_function

        def account(account)
          {
            id: account.id,
            title: account.title,
            registrar: account.registrar,
            kind: account.kind,
            prices: account.prices,
            connection: account.connection.slice("host", "port", "client"),
            ways: account.ways,
            **HABITS.to_h { |key| [key.to_sym, account.habits[key]] },
            aims: Core::Moves::TargetSettings.of(account.aims).to_plan,
            where: account.habits["where"] || {},
            privacy_service: account.privacy_service&.fetch("title", nil)
          }
        end

        # Is it ready to take orders? checks: of DestinationChecks.
        def ready(checks) = checks.map { |c| c.to_h.merge(seen_at: Json.time(c.seen_at)) }

        # All of it but its secrets, for whoever may change it.
        def whole(account)
          account
            .to_h
            .slice(:id, :title, :registrar, :kind, :connection, :prices, :sender_domains)
            .merge(has_password: !account.secret.nil?, habits: account.habits.except("ready"))
        end

        def host(host)
          {
            id: host.id,
            title: host.title,
            name_servers: host.name_servers,
            ends_with: host.ends_with,
            key_name: host.key_name,
            has_key: !host.secret.nil?,
            habits: host.habits
          }
        end
      end
    end
  end
end
