# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What was quoted, ordered, charged and paid back for moves, and what in it does not fit.
      # Common practice, no source.
      module Ledger
        # kind: quote, order, receipt or refund; account: id of who charges; moves: ids of what it
        # is for; amount: an Amount, or nil where it is not known; number: of the order; source:
        # what it rests on (mail, journal, word).
        Entry =
          Struct.new(
            :kind,
            :at,
            :account,
            :moves,
            :amount,
            :number,
            :source,
            :ref,
            keyword_init: true
          )
        # What is to be settled. kind: of KINDS; key: by which a person settles it; moves: ids;
        # expected, found: Amounts.
        Difference =
          Struct.new(:kind, :key, :moves, :account, :expected, :found, :at, keyword_init: true)
        KINDS = %w[otherwise twice not-set-up still-charged].freeze
        # A move as the ledger sees it. to, from: account ids; ending: as State#ending; landed_at:
        # Time or nil.
        Move = Struct.new(:id, :name, :from, :to, :ending, :landed_at, keyword_init: true)

        module_function

        # entries: [Entry]; moves: {id => Move}. Returns [Difference], oldest first.
        def differences(entries, moves)
          receipts = entries.select { |e| e.kind == "receipt" }
          found =
            receipts.flat_map { |r| [still_charged(r, moves), twice(r, receipts, entries)] } +
              receipts.map { |r| otherwise(r, entries, moves) } +
              receipts.map { |r| not_set_up(r, entries, moves) }
          found.compact.sort_by { |d| [d.at, d.key] }
        end

        # Spent on a move: what was charged less what was paid back; where nothing was charged, what
        # was ordered. A sum over several names is shared out evenly, the rest to the first. Returns
        # [[Amount], is it charged?]: one Amount for each currency, that of the first charge first.
        def spent(move_id, entries)
          charged = shares(move_id, entries, "receipt")
          return add(charged, shares(move_id, entries, "refund")), true if charged.any?

          [shares(move_id, entries, "order").first(1), false]
        end

        def still_charged(receipt, moves)
          left =
            receipt.moves.select do |id|
              m = moves[id]
              m && receipt.account == m.from && m.landed_at && receipt.at > m.landed_at
            end
          difference("still-charged", receipt, left) if left.any?
        end

        # Another receipt of the same place before this one for the same move, and nothing was paid
        # back.
        def twice(receipt, receipts, entries)
          both =
            receipts.select do |r|
              r.account == receipt.account && r.moves.intersect?(receipt.moves) &&
                before?(r, receipt)
            end
          return if both.empty? || paid_back?(receipt, entries)

          difference("twice", receipt, receipt.moves & both.flat_map(&:moves))
        end

        def otherwise(receipt, entries, moves)
          here = receipt.moves.select { |id| moves[id]&.to == receipt.account }
          quotes = here.map { |id| quoted(id, entries) }
          if here.empty? || here.size < receipt.moves.size || [*quotes, receipt.amount].any?(&:nil?)
            return
          end
          if quotes.map(&:currency).uniq != [receipt.amount.currency]
            return difference("otherwise", receipt, here)
          end

          expected = quotes.reduce(:+)
          unless expected == receipt.amount
            difference("otherwise", receipt, here, expected: expected)
          end
        end

        def quoted(id, entries) = entries.find { |e| e.kind == "quote" && e.moves == [id] }&.amount

        def not_set_up(receipt, entries, moves)
          lost =
            receipt.moves.select do |id|
              (m = moves[id]) && m.to == receipt.account && m.ending && !m.landed_at
            end
          difference("not-set-up", receipt, lost) if lost.any? && !paid_back?(receipt, entries)
        end

        def paid_back?(receipt, entries)
          entries.any? do |e|
            e.kind == "refund" && e.account == receipt.account && e.at >= receipt.at &&
              e.moves.intersect?(receipt.moves)
          end
        end

        def before?(one, other)
          !one.equal?(other) && ([one.at, one.ref.to_s] <=> [other.at, other.ref.to_s]).negative?
        end

        def difference(kind, receipt, ids, expected: nil)
          Difference.new(
            kind: kind,
            key: "#{kind} #{receipt.source} #{receipt.ref}",
            moves: ids,
            expected: expected,
            account: receipt.account,
            found: receipt.amount,
            at: receipt.at
          )
        end

        def shares(move_id, entries, kind)
          entries
            .select { |e| e.kind == kind && e.moves.include?(move_id) && e.amount }
            .map do |e|
              each, rest = e.amount.minor.divmod(e.moves.size)
              Amount.new(each + (e.moves.first == move_id ? rest : 0), e.amount.currency)
            end
        end

        # Each currency by itself: nothing is converted, and nothing left out.
        def add(charged, refunds)
          back = refunds.map { |a| Amount.new(-a.minor, a.currency) }
          (charged + back)
            .group_by(&:currency)
            .map { |currency, list| Amount.new(list.sum(&:minor), currency) }
        end
        private_class_method :still_charged,
                             :twice,
                             :otherwise,
                             :quoted,
                             :not_set_up,
                             :paid_back?,
                             :before?,
                             :difference,
                             :shares,
                             :add
      end
    end
  end
end
