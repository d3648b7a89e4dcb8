# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # What the ledger is made of: quotes and orders from the journals of moves, receipts and
      # refunds from proven mail and from what people typed in.
      class LedgerEntries
        Entry = Core::Money::Ledger::Entry
        MOST = 5000
        # Up to so many names their receipts alone are read.
        FEW = 200

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # moves: [Store::Moves::Move]. Returns [Entry].
        def list(moves)
          by_id = moves.to_h { |m| [m.id, m] }
          moves.flat_map { |m| [quote(m), order(m)] }.compact + typed(by_id) +
            receipts(moves.group_by(&:name))
        end

        # An Amount out of {key => minor, "currency" => …}, or nil.
        def self.amount(row, key)
          Core::Money::Amount.new(row[key], row["currency"]) if row && row[key] && row["currency"]
        end

        private

        def amount(row, key) = self.class.amount(row, key)

        def quote(move)
          first = move.events.first
          sum = amount(first&.data, "total") or return
          Entry.new(
            kind: "quote",
            at: first.at,
            account: move.to_account,
            moves: [move.id],
            amount: sum,
            source: "journal",
            ref: first.seq
          )
        end

        # What was ordered, by the connection or by hand; what was told there rules over the plan.
        def order(move)
          step = move.plan.with_trait(:orders) or return
          said = move.events.reverse_each.find { |e| e.type == "said" && e.step == step.id }
          event = said || move.events.find { |e| e.type == "done" && e.step == step.id } or return
          told = said ? said.data : {}
          charged = told["names"] == 1 ? amount(told["charged"], "minor") : nil
          Entry.new(
            kind: "order",
            at: event.at,
            account: move.to_account,
            moves: [move.id],
            source: "journal",
            amount: charged || move.plan.price&.amount,
            number: told["order_number"],
            ref: event.seq
          )
        end

        def typed(by_id)
          @ports
            .journal
            .of_type("ledger")
            .filter_map do |e|
              ids = e.data["moves"] & by_id.keys
              next if ids.empty?

              Entry.new(
                kind: e.data["kind"],
                at: e.at,
                account: e.data["account"],
                moves: ids,
                number: e.data["number"],
                amount: amount(e.data, "minor"),
                source: "word",
                ref: e.seq
              )
            end
        end

        # Each is for the last move of a name that began before it.
        def receipts(by_name)
          names = by_name.size <= FEW ? by_name.keys : nil
          @ports
            .messages
            .proven("receipt", MOST, names: names)
            .filter_map do |row|
              moves =
                row.names.filter_map do |n|
                  by_name[n]&.select { |m| m.started_at <= row.at }&.max_by(&:id)
                end
              account = moves.any? && sender_of(row, moves.first) or next
              sum = row.facts["sum"] || {}
              Entry.new(
                kind: sum["refund"] ? "refund" : "receipt",
                at: row.at,
                account: account,
                moves: moves.map(&:id),
                amount: amount(sum, "minor"),
                number: sum["number"],
                source: "mail",
                ref: row.id
              )
            end
        end

        # The account on the side of the move that wrote it, or nil.
        def sender_of(row, move)
          { "gaining" => move.to_account, "losing" => move.from_account }[
            Common::Parties.both(@ports, row.sender, move)
          ]
        end
      end
    end
  end
end
