# frozen_string_literal: true

module SteadyMove
  module Desk
    module Closing
      # The ledger and closing reports to take along: as tables and as PDF.
      class ClosingFiles
        BATCH = %w[
          name
          from
          to
          came_to
          started
          ended
          expiry_before
          expiry_after
          spent
          currency
          spent_besides
          saved
          left_to_cancel
          could_move_again_from
        ].freeze
        MONTH = %w[
          name
          client
          came_to
          from
          to
          started
          landed
          expiry_after
          spent
          currency
          spent_besides
          saved
        ].freeze
        LEDGER = %w[at kind account names amount currency order_number source].freeze

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # report: ClosingReport::Batch. Returns CSV.
        def batch(report)
          Wire::Csv.write(BATCH, report.moves.map { |m| row(m) })
        end

        # report: MonthReport::Report. Returns CSV: what moved, what did not, what is under way.
        def month(report)
          lines = report.moved + report.unmoved + report.open
          Wire::Csv.write(MONTH, lines.map { |l| month_row(l) })
        end

        # found: LedgerBook::Book. Returns CSV.
        def ledger(found)
          names = found.lines.to_h { |l| [l.move.id, l.move.name] }
          Wire::Csv.write(LEDGER, found.all.map { |e| entry(e, names) })
        end

        # text: ClosingText::Text. Returns the octets of a PDF.
        def pdf(text)
          parts = text.parts.map { |heading, lines| [heading, lines.map { |l| Words.plain(l) }] }
          Wire::Pdf.write(
            title: text.title,
            lead: Words.plain(text.lead),
            parts: parts,
            page: Words.say(:"closing.page", number: "<page>", count: "<total>")
          )
        end

        private

        def row(report)
          move = report.move
          [
            move.name,
            report.words[:from],
            report.words[:to],
            move.state.stage,
            day(move.started_at),
            day(report.ended_at),
            day(move.plan.expires_at),
            day(Common::ExpiryAfter.of(move).first),
            *money(report.line),
            report.open_items.size,
            day(report.again_at)
          ]
        end

        def month_row(line)
          move = line.move
          landed = Common::ExpiryAfter.landed_at(move.state)
          words = Common::MoveWords.values(move.plan, @ports.accounts)
          [
            move.name,
            line.client,
            move.state.stage,
            words[:from],
            words[:to],
            day(move.started_at),
            day(landed),
            (day(Common::ExpiryAfter.of(move).first) if landed),
            *money(line)
          ]
        end

        def entry(entry, names)
          sum = entry.amount
          [
            entry.at.utc.iso8601,
            entry.kind,
            @ports.accounts.find(entry.account)&.title || entry.account,
            entry.moves.map { |id| names[id] }.join(" "),
            decimal(sum),
            sum&.currency,
            entry.number,
            entry.source
          ]
        end

        # [spent, currency, what was spent in others, saved] as texts.
        def money(line)
          if line&.spent
            besides = line.besides.to_a.join(" + ")
            [decimal(line.spent), line.spent.currency, besides, decimal(line.saved)]
          else
            [nil, nil, nil, nil]
          end
        end

        def decimal(amount) = amount && Core::Money::Currency.decimal(amount.minor, amount.currency)
        def day(time) = time&.strftime("%Y-%m-%d")
      end
    end
  end
end
