# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # The ledger: quotes from plans, orders, receipts from mail or typed in, refunds; what was
      # spent and saved; and what does not fit, until a person settles it.
      class LedgerBook
        Ledger = Core::Money::Ledger
        MOST = 5000
        KINDS = %w[receipt refund].freeze
        # One move's line. spent: an Amount or nil, besides: [Amount] in other currencies; charged:
        # is it from a receipt? saved: against staying a year, nil where that is not known or the
        # name has not landed; lost_days: of time that was paid for already; client: of the name, or
        # nil.
        Line =
          Struct.new(
            :move,
            :batch,
            :quoted,
            :spent,
            :besides,
            :charged,
            :saved,
            :lost_days,
            :client,
            keyword_init: true
          ) do
            # [Amount], one for each currency.
            def all_spent = [spent, *besides].compact
          end
        Book = Struct.new(:lines, :all, :differences, :settled, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # What a move cost, as the ledger knows it: [[Amount], is it from a receipt?].
        def paid(move)
          line = ledger(ids: [move.id]).lines.first
          [line ? line.all_spent : [], line&.charged == true]
        end

        # ids: of moves; batch, account (gaining), year (of the start): those alone. Returns Book.
        def ledger(ids: nil, batch: nil, account: nil, year: nil)
          by_move = @ports.batches.by_move
          ids ||= by_move.select { |_, b| b == batch }.keys if batch
          moves =
            moves(ids).select do |m|
              (account.nil? || m.to_account == account) && (year.nil? || m.started_at.year == year)
            end
          entries = LedgerEntries.new(@ports).list(moves)
          differences = Ledger.differences(entries, moves.to_h { |m| [m.id, seen(m)] })
          settled = settlements
          clients = @ports.names.clients
          Book.new(
            lines: moves.map { |m| line(m, by_move[m.id], entries, clients[m.name]) },
            all: entries.sort_by(&:at),
            differences: differences.reject { |d| settled[d.key] },
            settled: settled
          )
        end

        # Sums by what the block says of a line: {key => {spent: [Amount], saved: [Amount], moves:,
        # unknown:}}.
        def self.sums(lines, &block)
          lines
            .group_by(&block)
            .transform_values do |list|
              {
                spent: Batches::Batch.add(list.flat_map(&:all_spent)),
                saved: Batches::Batch.add(list.filter_map(&:saved)),
                moves: list.size,
                unknown: list.count { |l| l.spent.nil? && l.move.state.landed? }
              }
            end
        end

        # A person types a receipt or a refund in. moves: ids. Raises Refused.
        def note(kind, moves:, account:, amount:, by:, number: nil)
          unless KINDS.include?(kind)
            raise Refused.new(:invalid, :no_such_entry, given: kind, known: KINDS)
          end

          place = @ports.accounts.find(account) or
            raise Refused.new(:invalid, :no_account, id: account)
          known = @ports.moves.find_all(moves)
          if known.size < moves.uniq.size
            raise Refused.new(:unknown, :no_move, id: (moves - known.map(&:id)).first)
          end

          @ports.journal.add(
            "ledger",
            at: @ports.now,
            by: by,
            data: {
              "kind" => kind,
              "moves" => moves.uniq,
              "account" => account,
              "number" => number,
              **amount.to_stored
            },
            says:
              Words.phrase(
                "journal.ledger_#{kind}",
                by: by,
                title: place.title,
                amount: amount.to_s,
                names: known.map(&:name)
              )
          )
        end

        # A person settles what did not fit. Raises Refused.
        def settle(key, reason:, by:)
          raise Refused.new(:invalid, :say_why_settled) if reason.strip.empty?
          unless ledger.differences.any? { |d| d.key == key }
            raise Refused.new(:not_now, :nothing_to_settle)
          end

          @ports.journal.add(
            "ledger-settled",
            at: @ports.now,
            by: by,
            data: {
              "key" => key,
              "reason" => reason.strip
            },
            says: Words.phrase("journal.ledger_settled", by: by, reason: reason.strip)
          )
        end

        private

        # Those that cost something, newest first.
        def moves(ids)
          found =
            ids ? @ports.moves.find_all(ids).sort_by { |m| -m.id } : @ports.moves.all.first(MOST)
          found.reject { |m| m.plan.prepare? || m.plan.dns_only? }
        end

        def seen(move)
          Ledger::Move.new(
            id: move.id,
            name: move.name,
            to: move.to_account,
            from: move.from_account,
            ending: move.state.ending,
            landed_at: move.state.told("landed_at")&.at
          )
        end

        def settlements
          @ports.journal.of_type("ledger-settled").to_h { |e| [e.data["key"], e.data["reason"]] }
        end

        def line(move, batch, entries, client)
          (spent, *besides), charged = Ledger.spent(move.id, entries)
          quoted = entries.find { |e| e.kind == "quote" && e.moves == [move.id] }&.amount
          Line.new(
            move: move,
            batch: batch,
            client: client,
            spent: spent,
            besides: besides,
            charged: charged,
            lost_days: Common::ExpiryAfter.lost_days(move),
            quoted: quoted,
            saved: (saved(move, spent) if besides.empty?)
          )
        end

        # Against staying a year, where the name has landed and both stand in one currency.
        def saved(move, spent)
          stay = LedgerEntries.amount(move.events.first&.data, "stay")
          return unless spent && stay && spent.currency == stay.currency
          return unless move.state.landed?

          stay - spent
        end
      end
    end
  end
end
