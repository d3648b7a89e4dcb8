# frozen_string_literal: true

module SteadyMove
  module Desk
    # After the landing: what it cost and saved, what is left at the old account, every promise
    # against what is seen.
    #
    #   Closing::LedgerBook.new(desk).ledger(batch: id)
    #   Closing::LeftBehind.new(desk).items(move)
    module Closing
      extend Room

      needs :accounts, :batches, :db, :journal, :messages, :moves, :names, :now, :zone_migrations
      offers :ClosingFiles, :ClosingReport, :ClosingText, :LedgerBook, :LeftBehind
    end
  end
end
