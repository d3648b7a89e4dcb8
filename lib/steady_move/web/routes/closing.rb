# frozen_string_literal: true

module SteadyMove
  module Web
    module Routes
      # The ledger, what is left at old accounts, and closing reports as a page, a table and a PDF.
      module Closing
        extend Answers

        # Reports of a move or a batch.
        module Helpers
          def ledger = Desk::Closing::LedgerBook.new(desk)
          def ledger_found = ledger.ledger(**asked.slice(:batch, :account, :year))

          def ledger_page
            found = ledger_found
            Views::LedgerView.page(desk, found).merge(
              months: Desk::Closing::MonthReport.new(desk).months(found.lines),
              clients: desk.names.clients.values.uniq.sort
            )
          end

          def move_report(id) = Desk::Closing::ClosingReport.new(desk).of_move(id)
          def batch_report(id) = Desk::Closing::ClosingReport.new(desk).of_batch(id)
          def given_amount
            Core::Money::Amount.new(*given["amount"].values_at("minor", "currency"))
          end

          def closing_text
            texts = Desk::Closing::ClosingText.new(desk)
            id = asked[:ref]
            if asked[:kind] == "move"
              texts.of_move(move_report(id))
            else
              texts.of_batch(batch_report(id))
            end
          end

          def month_report
            found, = everything
            Desk::Closing::MonthReport.new(desk).of(
              asked[:month],
              held: found.rows,
              client: asked[:client]
            )
          end

          def month_text = Desk::Closing::MonthText.new(desk).of(month_report)
          def closing_files = Desk::Closing::ClosingFiles.new(desk)
          def closing_name(ending) = "closing-#{asked[:kind]}-#{asked[:ref]}.#{ending}"
        end

        on("ledger") { ledger_page }

        on "ledgerTable" do
          taken_out(:ledger)
          content_type "text/csv", charset: "utf-8"
          attachment "ledger.csv"
          closing_files.ledger(ledger_found)
        end

        on "noteLedger" do
          ledger.note(
            given["kind"],
            moves: given["moves"],
            account: given["account"],
            amount: given_amount,
            number: given["number"],
            by: me
          )
          ledger_page
        end

        on "settleLedger" do
          ledger.settle(given["key"], reason: given["reason"], by: me)
          ledger_page
        end

        on "monthPage" do
          content_type "text/html", charset: "utf-8"
          Views::ClosingPage.page(month_text)
        end

        on "monthPdf" do
          content_type "application/pdf"
          attachment "month-#{asked[:month]}.pdf"
          closing_files.pdf(month_text)
        end

        on "monthTable" do
          taken_out(:ledger)
          content_type "text/csv", charset: "utf-8"
          attachment "month-#{asked[:month]}.csv"
          closing_files.month(month_report)
        end

        on("closing") do
          Views::ClosingView.move(move_report(asked[:id]), Desk::Closing::ClosingText.new(desk))
        end

        on "settleLeft" do
          Desk::Closing::LeftBehind.new(desk).settle(
            asked[:id],
            given["key"],
            state: given["state"],
            reason: given["reason"],
            by: me
          )
          Views::ClosingView.move(move_report(asked[:id]), Desk::Closing::ClosingText.new(desk))
        end

        on("batchClosing") do
          Views::ClosingView.batch(batch_report(asked[:id]), Desk::Closing::ClosingText.new(desk))
        end

        on "closingPage" do
          content_type "text/html", charset: "utf-8"
          Views::ClosingPage.page(closing_text)
        end

        on "closingPdf" do
          content_type "application/pdf"
          attachment closing_name("pdf")
          closing_files.pdf(closing_text)
        end

        on "closingTable" do
          taken_out(:batch)
          content_type "text/csv", charset: "utf-8"
          attachment "closing-batch-#{asked[:id]}.csv"
          closing_files.batch(batch_report(asked[:id]))
        end
      end
    end
  end
end
