# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # The judged list as a table (RFC 4180).
      module NameTable
        HEADER = [
          "name",
          "international name",
          "account",
          "client",
          "suffix",
          "gate",
          "clears at",
          "reasons",
          "earliest start",
          "latest safe start",
          "expiry",
          "transfer lock",
          "privacy service",
          "auto-renew",
          "DNS host",
          "name servers",
          "a year here",
          "currency"
        ].freeze

        SWITCHES = { true => "on", false => "off" }.freeze

        module_function

        # found: NamesQuery::Listing; accounts: {id => account}; at: Time. Returns text; instants in
        # RFC 3339, UTC.
        def text(found, accounts, at)
          years = accounts.transform_values { |account| price(account.prices_of.renew) }
          rows =
            found.rows.map do |e|
              title = accounts.fetch(e.account_id).title
              row(e, title, found.snapshot.gate(e), at.to_i) + years.fetch(e.account_id)
            end
          Wire::Csv.write(HEADER, rows)
        end

        def row(entry, title, gate, at)
          outline = entry.outline
          [
            entry.ascii,
            entry.unicode,
            title,
            entry.client,
            entry.suffix,
            gate.kind,
            stamp(gate.clears_at),
            blank(outline.reasons(at).join(" ")),
            stamp(outline.earliest_start(at)),
            stamp(entry.latest_safe),
            stamp(entry.expires),
            *[entry.locked, entry.privacy, entry.auto_renew].map { |on| SWITCHES[on] },
            entry.dns_host,
            blank(entry.servers.join(" "))
          ]
        end

        def stamp(seconds)
          if seconds && seconds.abs != Float::INFINITY
            Time.at(seconds).utc.strftime("%Y-%m-%dT%H:%M:%SZ")
          end
        end

        def blank(text) = text.empty? ? nil : text

        def price(renew)
          return nil, nil unless renew

          [Core::Money::Currency.decimal(renew.minor, renew.currency), renew.currency]
        end

        private_class_method :row, :stamp, :blank, :price
      end
    end
  end
end
