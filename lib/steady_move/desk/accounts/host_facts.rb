# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # What follows for a name from the DNS host that serves it, as the desk knows hosts: who
      # serves it, and whether its zone ends with its account.
      module HostFacts
        KEYS = %i[dns_host zone_ends_with_account].freeze

        module_function

        # servers: of the name; account: that holds it. Returns [Fact]; empty where nobody is known
        # to serve it.
        def collect(ports, servers, account)
          ports = Ports.of(ports)
          host = ports.accounts.host_serving(servers) or return []
          ends = host.ends_with == account.id && host.title
          { dns_host: host.title, zone_ends_with_account: ends }.map do |key, value|
            Core::Readiness::Fact.new(
              key: key,
              value: value,
              source: :desk,
              seen_at: ports.now,
              ref: Words.say(:"sources.accounts")
            )
          end
        end

        # What is known of a host has changed: the names that its servers serve are told so.
        # servers: before and after.
        def relearn(ports, servers)
          ports = Ports.of(ports)
          ports
            .names
            .served_by(servers)
            .each do |name|
              row = ports.names.find(name)
              facts =
                collect(
                  ports,
                  ports.names.facts(name)[:name_servers].to_a,
                  ports.accounts.find(row[:account_id])
                )
              facts.any? ? ports.names.learn(name, facts) : forget(ports, name)
            end
        end

        def forget(ports, name) = KEYS.each { |key| Ports.of(ports).names.forget(name, :desk, key) }
      end
    end
  end
end
