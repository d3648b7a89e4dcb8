# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # A DNS host of the destination whose name servers are not known yet: they come by mail after
      # sign-up.
      module PendingHost
        # So many of the newest mails are looked through.
        LOOKED_AT = 300

        module_function

        # The host that stands for an account's name servers, with those that are known by now.
        def build(ports, account)
          ports = Ports.of(ports)
          id = "later-#{account.id}"
          ports.accounts.host_of(id) ||
            Store::Accounts::Host.new(
              id: id,
              name_servers: [],
              title: Words.say(:"common.servers_of", account: account.title)
            )
        end

        # Keeps it when a move starts that rests on it.
        def keep(ports, id)
          ports = Ports.of(ports)
          return unless id.to_s.start_with?("later-") && ports.accounts.host_of(id).nil?

          ports.accounts.put_host(build(ports, ports.accounts.find(id.delete_prefix("later-"))))
        end

        # Name servers as they were told: by a person, or picked from the welcome mail. Raises
        # Refused.
        def told(ports, id, servers, by:)
          ports = Ports.of(ports)
          host = ports.accounts.host_of(id) or raise Refused.new(:unknown, :no_host, id: id)
          clean =
            servers
              .map do |s|
                Core::Names::HostName.ascii(s) ||
                  raise(Refused.new(:invalid, :no_host_name, given: s))
              end
              .uniq
          raise Refused.new(:invalid, :host_without_servers) if clean.empty?

          ports.accounts.put_host(host.dup.tap { |h| h.name_servers = clean })
          ports.journal.add(
            "places",
            at: ports.now,
            by: by,
            says: Words.phrase("journal.servers_told", by: by, host: host.title, servers: clean)
          )
        end

        # What the newest mails of the destination name as name servers; a doubtful mail counts for
        # nothing.
        def in_mail(ports, id)
          ports = Ports.of(ports)
          account = ports.accounts.find(id.delete_prefix("later-")) or return []
          mails = ports.messages.from(Common::Parties.writers(account), most: LOOKED_AT)
          mails.lazy.map { |m| named_in(m.text.to_s) }.find(&:any?) || []
        end

        # Host names that a text names as name servers: on a line that speaks of them, or that begin
        # like them (common practice).
        WORD = /name ?servers?|\bDNS\b|nameserver/i
        HOST = /\b((?:[a-z0-9](?:[a-z0-9-]{0,61}[a-z0-9])?\.){2,}[a-z][a-z0-9-]{1,62})\b/i
        LIKE = /\A(?:ns|dns|name)[a-z0-9-]*\./i

        # text: of a mail. Returns host names in the order in which they stand.
        def named_in(text)
          near = 0
          text
            .lines
            .first(400)
            .flat_map do |line|
              near = line.match?(WORD) ? 6 : near - 1
              line
                .scan(HOST)
                .flatten
                .select { |h| near.positive? || h.match?(LIKE) }
                .map(&:downcase)
            end
            .uniq
            .grep(LIKE)
            .first(13)
        end
      end
    end
  end
end
