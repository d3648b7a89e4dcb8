# frozen_string_literal: true

module SteadyMove
  module Web
    module Views
      # Closing reports as JSON.
      module ClosingView
        module_function

        # report: Desk::Closing::ClosingReport::Move; texts: Desk::Closing::ClosingText.
        def move(report, texts)
          {
            **text(texts.of_move(report)),
            left: report.left.map { |i| item(i) },
            checks: report.checks,
            again_at: Json.time(report.again_at),
            settled: report.settled?
          }
        end

        # report: Desk::Closing::ClosingReport::Batch.
        def batch(report, texts)
          { **text(texts.of_batch(report)), moves: report.moves.map { |m| moved(m) } }
        end

        def moved(report)
          line = report.line
          {
            id: report.move.id,
            **Json.name(report.move.name),
            stage: report.move.state.stage,
            open: report.open_items.size,
            bad: report.bad.size,
            spent: Json.amount(line&.spent),
            besides: line ? line.besides.map { |a| Json.amount(a) } : [],
            saved: Json.amount(line&.saved),
            again_at: Json.time(report.again_at)
          }
        end

        def text(text)
          {
            title: text.title,
            lead: text.lead,
            parts: text.parts.map { |heading, lines| { heading: heading, lines: lines } }
          }
        end

        def item(item) = item.to_h.merge(at: Json.time(item.at))
        private_class_method :text, :item, :moved
      end
    end
  end
end
