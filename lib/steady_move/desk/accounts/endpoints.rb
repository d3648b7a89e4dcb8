# frozen_string_literal: true

module SteadyMove
  module Desk
    module Accounts
      # Adds, changes and removes registrar accounts and DNS hosts as an administrator gives them.
      # Their ids are the desk's own; a title may stand in any script, and twice.
      class Endpoints
        KINDS = %w[epp by_hand].freeze
        CONNECTION = %w[host port client ca_file server_name certificate_file key_file].freeze
        Account = Core::Accounts::Account
        Host = Store::Accounts::Host

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # given: Hash with String keys (see the contract's NewAccount). For EPP the connection is
        # tried before anything is kept. Returns the Account; raises Refused.
        def add_account(given, by:)
          blank =
            Account.new(
              id: fresh_id("a", :find),
              connection: {
              },
              habits: {
              },
              prices: {
              },
              sender_domains: []
            )
          keep(blank, given, by: by, key: "account_set")
        end

        # Only what is given changes; null erases it. Raises Refused.
        def change_account(id, given, by:)
          held = @ports.accounts.find(id) or unknown(:no_account, id: id)
          if led_elsewhere?(held, given) && held.secret && filled(given["password"]).nil?
            invalid(:password_again)
          end

          keep(held, given, by: by, key: "account_changed")
        end

        # Refused while anything rests on it.
        def remove_account(id, by:)
          held = @ports.accounts.find(id) or unknown(:no_account, id: id)
          names = @ports.names.count_at(id)
          moves = @ports.moves.resting_on(id)
          hosts = @ports.accounts.hosts.count { |h| h.ends_with == id }
          refuse_removal(held.title, names: names, moves: moves, hosts: hosts)
          @ports.accounts.remove(id)
          note("account_removed", by, title: held.title)
        end

        # given: Hash with title, name_servers, key_name, secret, ends_with. Returns the Host;
        # raises Refused.
        def add_host(given, by:)
          keep_host(
            Host.new(id: fresh_id("h", :host_of), name_servers: []),
            given,
            by: by,
            key: "host_set"
          )
        end

        # Only what is given changes; null erases it. Raises Refused.
        def change_host(id, given, by:)
          held = @ports.accounts.host_of(id) or unknown(:no_host, id: id)
          keep_host(held, given, by: by, key: "host_changed")
        end

        # Refused while names or moves rest on it.
        def remove_host(id, by:)
          held = @ports.accounts.host_of(id) or unknown(:no_host, id: id)
          served = @ports.names.count_served_by(held.name_servers)
          refuse_removal(held.title, served: served, moves: @ports.moves.carried_by(id))
          @ports.accounts.remove_host(id)
          HostFacts.relearn(@ports, held.name_servers)
          note("host_removed", by, title: held.title)
        end

        private

        def invalid(key, **values) = raise(Refused.new(:invalid, key, **values))
        def unknown(key, **values) = raise(Refused.new(:unknown, key, **values))

        def fresh_id(letter, finder)
          loop do
            id = format("%<letter>s%<number>08x", letter: letter, number: @ports.random.rand(2**32))
            return id unless @ports.accounts.public_send(finder, id)
          end
        end

        def refuse_removal(title, **rests)
          told =
            rests
              .reject { |_, count| count.zero? }
              .map { |what, count| Words.say(:"rests.#{what}", count: count) }
          raise Refused.new(:not_now, :rested_on, title: title, what: told) if told.any?
        end

        def led_elsewhere?(held, given)
          where = given["connection"].to_h
          %w[host port].any? { |k| where.key?(k) && where[k] != held.connection[k] }
        end

        def keep(held, given, by:, key:)
          account = changed(held, given)
          unless KINDS.include?(account.kind)
            invalid(:no_such_kind, given: account.kind, known: KINDS)
          end
          refuse_anybodys(account)
          invalid(:currency_missing) if account.prices.any? && !account.prices["currency"]

          try(account) if account.kind == "epp" && tried_again?(held, given)
          @ports.accounts.put(account)
          note(key, by, title: account.title)
          account
        end

        # Whoever likes may write from there.
        def refuse_anybodys(account)
          writers = [*account.sender_domains, account.privacy_service.to_h["writes_from"]].compact
          domain =
            Core::Post::Writers
              .domains(writers)
              .find { |d| Core::Post::Writers.anybodys?(d.downcase) }
          invalid(:anybodys_domain, domain: domain) if domain
        end

        # A change of words alone needs no connection.
        def tried_again?(held, given)
          held.kind != "epp" || %w[kind connection password].any? { |k| given.key?(k) }
        end

        def changed(held, given)
          Account.new(
            **held.to_h,
            **given.slice("title", "registrar", "kind").transform_keys(&:to_sym),
            connection: merged(held.connection, given["connection"].to_h.slice(*CONNECTION)),
            habits: merged(held.habits, given["habits"]),
            prices: merged(held.prices, given["prices"]),
            sender_domains: given.fetch("sender_domains", held.sender_domains),
            secret: filled(given["password"]) || held.secret
          )
        end

        def merged(held, given) = held.merge(given.to_h).compact

        def keep_host(held, given, by:, key:)
          host =
            Host.new(
              **held.to_h,
              **given.slice("title", "key_name", "ends_with").transform_keys(&:to_sym)
            )
          host.name_servers = given["name_servers"].map { |s| s.downcase.chomp(".") } if given[
            "name_servers"
          ]
          host.habits = held.habits.merge(given["habits"]).compact if given["habits"]
          host.secret =
            filled(given["secret"]) ||
              (held.secret unless given.key?("key_name") && given["key_name"].nil?)
          invalid(:host_without_servers) if host.name_servers.empty?
          if host.ends_with && !@ports.accounts.find(host.ends_with)
            invalid(:host_ends_with_nobody, given: host.ends_with)
          end

          @ports.accounts.put_host(host)
          HostFacts.relearn(@ports, held.name_servers | host.name_servers)
          note(key, by, title: host.title)
          host
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
        end

        def note(key, by, **values)
          @ports.journal.add(
            "places",
            at: @ports.now,
            says: Words.phrase("journal.#{key}", by: by, **values),
            by: by
          )
        end
      end
    end
  end
end
