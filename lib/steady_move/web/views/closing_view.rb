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
          {
            **text(texts.of_batch(report)),
            moves:
              report.moves.map do |m|
                {
                  id: m.move.id,
                  **Json.name(m.move.name),
                  stage: m.move.state.stage,
                  open: m.open_items.size,
                  bad: m.bad.size,
                  spent: Json.amount(m.line&.spent),
                  saved: Json.amount(m.line&.saved),
                  again_at: Json.time(m.again_at)
                }
              end
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
        private_class_method :text, :item
      end
    end
  end
end
