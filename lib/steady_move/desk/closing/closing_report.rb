# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # What came of a move or a batch: every promise against what is seen, what it cost, what is
      # left to do, and when the name could move again.
      class ClosingReport
        # checks: rows of what was checked after landing ({"what", "wanted", "found", "ok"}); left:
        # [LeftBehind::Item]; line: LedgerBook::Line; again_at: Time from which the name could move
        # again, nil where it is not known; learnt: sentences on habits of the accounts.
        Move =
          Struct.new(
            :move,
            :words,
            :checks,
            :left,
            :line,
            :again_at,
            :exposed,
            :learnt,
            keyword_init: true
          ) do
            def settled? = move.state.ending == "settled"
            def ended_at = move.open ? nil : move.events.last.at
            def open_items = left.select(&:open?)
            def bad = checks.reject { |c| c["ok"] }
          end
        # moves: [Move]; sums: {spent:, saved:, moves:, unknown:}; differences: of the ledger, still
        # to be settled; held: names that were not started, with why.
        Batch = Struct.new(:batch, :moves, :sums, :differences, :held, keyword_init: true)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # Returns Move; raises Refused.
        def of_move(id)
          move = @ports.moves.find(id) or raise Refused.new(:unknown, :no_move, id: id)
          report(move, LedgerBook.new(@ports).ledger(ids: [id]).lines.first)
        end

        # Returns Batch; raises Refused.
        def of_batch(id)
          batch = Batches::BatchCommands.new(@ports).find(id)
          members = @ports.batches.members(id)
          book = LedgerBook.new(@ports).ledger(batch: id)
          lines = book.lines.to_h { |l| [l.move.id, l] }
          moves = @ports.moves.find_all(members.filter_map(&:move_id)).sort_by(&:name)
          Batch.new(
            batch: batch,
            moves: moves.map { |m| report(m, lines[m.id]) },
            differences: book.differences,
            sums:
              LedgerBook
                .sums(book.lines) { nil }
                .fetch(nil, { spent: [], saved: [], moves: 0, unknown: 0 }),
            held:
              members
                .select { |m| m.move_id.nil? && m.state != "dropped" }
                .map { |m| [m.name, m.says] }
          )
        end

        private

        def report(move, line)
          Move.new(
            move: move,
            words: Common::MoveWords.values(move.plan, @ports.accounts),
            line: line,
            checks: move.state.told("checks")&.data&.fetch("checks") || [],
            left: LeftBehind.new(@ports).items(move),
            again_at: again_at(move),
            exposed: move.state.exposed,
            learnt: learnt(move)
          )
        end

        # The first instant at which nothing closes the name any more.
        def again_at(move)
          return unless move.state.landed?

          judged = Portfolio::Judging.new(@ports).one(move.name) or return
          now = @ports.now.to_i
          open = judged.judgement.outline.windows(now, now + Portfolio::Judging::HORIZON).first
          open && Time.at(open.first).utc
        end

        def learnt(move)
          [move.from_account, move.to_account].uniq.flat_map do |id|
            if @ports.accounts.find(id)
              Accounts::Habits.new(@ports).learnt(id).map { |l| Words.text(l.says) }
            else
              []
            end
          end
        end
      end
    end
  end
end
