# frozen_string_literal: true

require "resolv"

module SteadyMove
  module Desk
    module Records
      # Do a name's servers belong to the account that it leaves, so that its site and mail end with
      # the registration? Asked once for a set of servers, before a move starts; with what speaks
      # for the one or the other.
      class HostQuestion
        # What was found out: says: sentence; ends: what it speaks for (true: they end with the
        # account; false: they stay; nil: neither).
        Hint = Struct.new(:says, :ends, keyword_init: true)
        SITE = %r{\Ahttps?://([^/:?#]+)}i

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Is it to be asked of a judged name? Its servers are known, and whose they are is not.
        def asked?(judged) = judged.facts.dns_stays.unknown? && servers(judged).any?

        # Evidence from outside and from the other names here: the servers' names, their networks,
        # and who else uses them. Returns [Hint].
        def hints(name)
          judged = judged(name)
          [by_name(judged), by_others(judged), by_network(judged)].compact
        end

        # A person's answer, which holds for all names with these servers. ends: true or false.
        # Raises Refused.
        def answer(name, ends:, by:)
          judged = judged(name)
          list = servers(judged)
          raise Refused.new(:not_now, :no_name_servers, name: name) if list.empty?
          raise Refused.new(:not_now, :host_known) unless asked?(judged)

          title = common(list)
          Accounts::Endpoints.new(@ports).add_host(
            {
              "title" => title,
              "name_servers" => list,
              "ends_with" => (judged.account.id if ends)
            },
            by: by
          )
          key = ends ? "journal.dns_ends" : "journal.dns_stays"
          @ports.journal.add(
            "noted",
            at: @ports.now,
            name: name,
            by: by,
            says: Words.phrase(key, by: by, servers: list, at: judged.account.title)
          )
        end

        private

        def judged(name)
          Portfolio::Judging.new(@ports).one(name) ||
            raise(Refused.new(:unknown, :not_held, name: name))
        end
        def servers(judged) = judged.facts[:name_servers].to_a

        # “ns1.quay.example” and “ns2.quay.example” have “quay.example” in common.
        def common(servers)
          ends = servers.map { |s| s.split(".").reverse }
          shared =
            ends
              .first
              .zip(*ends.drop(1))
              .take_while { |labels| labels.uniq.one? }
              .map(&:first)
              .reverse
          shared.size > 1 ? shared.join(".") : servers.first
        end

        def by_name(judged)
          own = Core::Post::Writers.domains(Common::Parties.writers(judged.account)).map(&:downcase)
          mine = servers(judged).select { |s| own.any? { |d| s == d || s.end_with?(".#{d}") } }
          return hint("name_own", true, servers: mine, at: judged.account.title) if mine.any?

          hint("name_other", nil, servers: servers(judged), at: judged.account.title)
        end

        # Names at other registrars with the same servers: these outlive an account.
        def by_others(judged)
          others = @ports.names.served_by(servers(judged)) - [judged.name.ascii]
          away = others.reject { |n| @ports.names.find(n)[:account_id] == judged.account.id }
          return hint("others", false, count: away.size, names: away.first(3)) if away.any?

          hint("others_none", nil, count: others.size, at: judged.account.title)
        end

        # Are the servers in the network of the account's own pages?
        def by_network(judged)
          site = judged.account.habits["site"].to_s[SITE, 1]
          own = networks([site].compact)
          there = networks(servers(judged))
          return hint("network_unknown", nil) if there.empty?
          return hint("network_same", true, networks: there & own) if there.intersect?(own)

          hint("network", nil, networks: there)
        end

        # The first three octets of each IPv4 address (common practice for “the same network”).
        def networks(hosts)
          hosts
            .flat_map { |h| addresses(h) }
            .grep(/\A\d+\.\d+\.\d+\.\d+\z/)
            .map { |a| a[/\A\d+\.\d+\.\d+/] }
            .uniq
        end

        def addresses(host)
          Resolv::DNS.open do |dns|
            dns.timeouts = 2
            dns.getaddresses(host).map(&:to_s)
          end
        rescue Resolv::ResolvError, SystemCallError, SocketError
          []
        end

        def hint(key, ends, **values)
          Hint.new(says: Words.say(:"dns_hints.#{key}", **values), ends: ends)
        end
      end
    end
  end
end
