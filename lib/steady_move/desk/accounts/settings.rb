# frozen_string_literal: true

require "json"

module SteadyMove
  module Desk
    module Accounts
      # Where the outside is: the configuration file's words, over them what an administrator set on
      # screen.
      class Settings
        Places =
          Struct.new(
            :rdap_bases,
            :dns_servers,
            :dns_parents,
            :outgoing,
            :registries,
            keyword_init: true
          )

        # documents: Store::Watches, for the kept bootstrap.
        def initialize(db, safe, config, documents: nil)
          @documents = documents
          @rows = Store::SettingRows.new(db, safe)
          @config = config
        end

        def places
          bases =
            kept_bootstrap.merge(bootstrap).merge(@config.rdap_bases).merge(get("rdap_bases") || {})
          Places.new(
            rdap_bases: bases,
            dns_servers: @config.dns_servers.merge(get("dns_servers") || {}),
            dns_parents: @config.dns_parents.merge(get("dns_parents") || {}),
            outgoing: get("outgoing")&.transform_keys(&:to_sym) || @config.outgoing,
            registries: get("registries")&.keys || @config.registries
          )
        end

        # key: one of SettingKinds::KEYS; value: a map, or nil to take the setting back. Raises
        # Refused.
        def set(key, value, at:)
          kind = SettingKinds.find(key)
          return @rows.remove(key) if value.nil? || value.empty?

          kind.check(value)
          @rows.set(key, value, at: at)
        end

        # What the screen shows: the values without passwords, and where each comes from.
        def shown
          p = places
          {
            rdap_bases: p.rdap_bases,
            dns_servers: p.dns_servers,
            dns_parents: p.dns_parents,
            outgoing: p.outgoing&.slice(:host, :port, :login, :tls, :from),
            registries: p.registries,
            bootstrap: bootstrap_shown,
            rates: get("rates"),
            holidays: holidays,
            set_here: @rows.keys
          }
        end

        # Where the list of public record services is fetched (RFC 9224), or nil where it is
        # switched off.
        def bootstrap_url
          said = get("bootstrap")
          return said["url"] if said

          @config.rdap_bootstrap_url
        end

        # Rates that somebody typed in (Core::Money::Conversion::Rates), or nil.
        def rates
          said = get("rates") or return
          Core::Money::Conversion::Rates.new(
            to: said["to"],
            date: said["date"],
            rates: said.except("to", "date")
          )
        end

        # The region whose public holidays are no business days, or nil.
        def holidays = get("holidays")&.fetch("region")

        # {url, fetched_at, suffixes}; url nil where it is switched off.
        def bootstrap_shown
          text, at = @documents&.document(Bootstrap::KEY)
          {
            url: bootstrap_url,
            fetched_at: at&.iso8601,
            suffixes: text ? Bootstrap.services(text).size : 0
          }
        end

        private

        def get(key) = @rows.get(key)

        # The same list as a file, where the configuration names one.
        def bootstrap
          file = @config.rdap_bootstrap or return {}
          Bootstrap.services(File.read(file))
        rescue Wire::Malformed, SystemCallError => e
          raise Refused.new(
                  :unusable,
                  :bootstrap_unreadable,
                  file: file,
                  says: e.message.lines.first.strip
                )
        end

        def kept_bootstrap
          text, = bootstrap_url && @documents&.document(Bootstrap::KEY)
          text ? Bootstrap.services(text) : {}
        end
      end
    end
  end
end
