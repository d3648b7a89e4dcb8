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
          rows =
            found.rows.map do |e|
              row(e, accounts.fetch(e.account_id), found.snapshot.gate(e), at.to_i)
            end
          Wire::Csv.write(HEADER, rows)
        end

        def row(entry, account, gate, at)
          outline = entry.outline
          [
            entry.ascii,
            entry.unicode,
            account.title,
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
            blank(entry.servers.join(" ")),
            *price(account.prices)
          ]
        end

        def stamp(seconds)
          if seconds && seconds.abs != Float::INFINITY
            Time.at(seconds).utc.strftime("%Y-%m-%dT%H:%M:%SZ")
          end
        end

        def blank(text) = text.empty? ? nil : text

        def price(prices)
          renew, currency = prices.values_at("renew", "currency")
          renew ? [Core::Money::Currency.decimal(renew, currency), currency] : [nil, nil]
        end

        private_class_method :row, :stamp, :blank, :price
      end
    end
  end
end
