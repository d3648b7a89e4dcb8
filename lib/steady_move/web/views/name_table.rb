# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # The judged list as a table (RFC 4180).
      module NameTable
        HEADER = ["name", "international name", "account", "suffix", "gate", "clears at", "reasons", "earliest start", "latest safe start", "expiry",
                  "transfer lock", "DNS host", "name servers", "a year here", "currency"].freeze

        module_function

        # found: Desk::NamesQuery::Found; accounts: {id => account}; at: Time.
        def text(found, accounts, at)
          Wire::Csv.write(HEADER, found.rows.map { |e| row(e, accounts.fetch(e.account_id), found.picture.gate(e), at.to_i) })
        end

        def row(entry, account, gate, at)
          stay = NameView.stay(account)
          [entry.ascii, entry.unicode, account.title, entry.suffix, gate.kind, Json.seconds(gate.clears_at), entry.outline.reasons(at).join(" ").then { |r| r.empty? ? nil : r },
           Json.seconds(entry.outline.earliest_start(at)), Json.seconds(entry.latest_safe), Json.seconds(entry.expires),
           { true => "on", false => "off", nil => "" }[entry.locked], entry.dns_host, entry.servers.join(" "),
           stay && format("%.2f", stay[:minor] / 100r), stay && stay[:currency]]
        end
        private_class_method :row
      end
    end
  end
end
