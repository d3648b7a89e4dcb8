# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # A registrar's prices: one row for all suffixes, and rows of their own for some. A row:
      # currency (ISO 4217), register, renew, transfer, promotion, per_transaction, privacy (minor
      # units; privacy a year), renew_later (a year after the first), promotion_code,
      # promotion_until (its last day, YYYY-MM-DD), tax_milli_percent.
      module PriceList
        module_function

        # prices: the general row, with "suffixes" => {suffix => row}; suffix: without a leading
        # dot. Returns the row that holds for it.
        #   Money::PriceList.for_suffix({ "suffixes" => { "org" => { "x" => 11 } } }, "org")["x"]
        #     # => 11
        def for_suffix(prices, suffix)
          general = prices.except("suffixes")
          own = (prices["suffixes"] || {})[suffix] or return general
          shared = own["currency"].nil? || own["currency"] == general["currency"]
          (shared ? general : {}).merge(own)
        end

        # Does a promotion still hold? row: of a list; on: Time. Its last day counts to its end
        # (UTC).
        def promoted?(row, on)
          return false unless row["promotion"]

          row["promotion_until"].nil? || on.nil? ||
            on.strftime("%Y-%m-%d") <= row["promotion_until"]
        end
      end
    end
  end
end
