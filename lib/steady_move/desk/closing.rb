# frozen_string_literal: true

module SteadyMove
  module Desk
    # After the landing: what it cost and saved, what is left at the old account, every promise
    # against what is seen.
    #
    #   Closing::LedgerBook.new(desk).ledger(batch: id)
    #   Closing::LeftBehind.new(desk).items(move)
    #   Closing::MonthReport.new(desk).of("2027-03", held: entries, client: "Lanternroom")
    module Closing
      extend Room

      needs :accounts,
            :batches,
            :db,
            :forecasts,
            :journal,
            :messages,
            :moves,
            :names,
            :now,
            :zone_migrations
      offers :ClosingFiles,
             :ClosingReport,
             :ClosingText,
             :LedgerBook,
             :LeftBehind,
             :MonthReport,
             :MonthText
    end
  end
end
