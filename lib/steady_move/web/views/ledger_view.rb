# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # The ledger as JSON.
      module LedgerView
        module_function

        # found: Desk::Closing::LedgerBook::Book.
        def page(desk, found)
          text = Desk::Closing::ClosingText.new(desk)
          titles = desk.accounts.all.to_h { |a| [a.id, a.title] }
          names = found.lines.to_h { |l| [l.move.id, l.move.name] }
          {
            lines: found.lines.map { |l| line(l, titles) },
            sums: sums(found.lines, titles, batches(desk)),
            entries: found.all.reverse.map { |e| entry(e, titles, names) },
            differences:
              found.differences.map do |d|
                {
                  key: d.key,
                  kind: d.kind,
                  says: text.difference(d),
                  at: Json.time(d.at),
                  moves: named(d.moves, names)
                }
              end
          }
        end

        def line(line, titles)
          {
            id: line.move.id,
            **Json.name(line.move.name),
            from: titles[line.move.from_account] || line.move.from_account,
            to: titles[line.move.to_account] || line.move.to_account,
            stage: line.move.state.stage,
            batch: line.batch,
            quoted: Json.amount(line.quoted),
            spent: Json.amount(line.spent),
            besides: line.besides.map { |a| Json.amount(a) },
            charged: line.charged,
            saved: Json.amount(line.saved),
            lost_days: line.lost_days,
            started_at: Json.time(line.move.started_at)
          }
        end

        def batches(desk) = desk.batches.all.to_h { |b| [b.id, b.title] }

        # Sums of all, by destination, by batch, by year.
        def sums(lines, titles, batches)
          {
            all: [nil, ->(_) {}],
            account: [titles, ->(l) { l.move.to_account }],
            client: [nil, :client.to_proc],
            batch: [batches, :batch.to_proc],
            year: [nil, ->(l) { l.move.started_at.year }]
          }.flat_map do |by, (words, key)|
            Desk::Closing::LedgerBook
              .sums(by == :client ? lines.select(&:client) : lines, &key)
              .map { |value, sum| summed(by, value, words, sum) }
          end
        end

        def summed(kind, value, words, sum)
          {
            by: kind.to_s,
            title: value && (words ? words[value] || value.to_s : value.to_s),
            moves: sum[:moves],
            unknown: sum[:unknown],
            spent: sum[:spent].map { |a| Json.amount(a) },
            saved: sum[:saved].map { |a| Json.amount(a) }
          }
        end

        def entry(entry, titles, names)
          {
            kind: entry.kind,
            at: Json.time(entry.at),
            at_account: titles[entry.account] || entry.account,
            moves: named(entry.moves, names),
            amount: Json.amount(entry.amount),
            number: entry.number,
            source: entry.source
          }
        end

        def named(ids, names) = ids.map { |id| { id: id, **Json.name(names[id]) } }

        private_class_method :line, :batches, :sums, :summed, :entry, :named
      end
    end
  end
end
