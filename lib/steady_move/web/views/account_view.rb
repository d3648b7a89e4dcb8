# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Accounts and DNS hosts as JSON, without secrets.
      module AccountView
        module_function

        def account(account)
          { id: account.id, title: account.title, registrar: account.registrar, kind: account.kind,
            prices: account.prices,
            connection: account.connection.slice("host", "port", "client"), ways: account.ways,
            site: account.habits["site"],
            support: account.habits["support"], privacy_service: account.privacy_service&.fetch("title", nil) }
        end

        def host(host) = { id: host.id, title: host.title, name_servers: host.name_servers, ends_with: host.ends_with }
      end
    end
  end
end
