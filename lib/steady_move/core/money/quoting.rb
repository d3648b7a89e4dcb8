# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What a move costs, and what staying and going cost in the years ahead. Common practice, no
      # source.
      module Quoting
        module_function

        # What is not known, in any currency.
        UNKNOWN = Quote.new.freeze

        # prices: Prices; stay: those of the losing side, or nil; years: bought with the move, all
        # but the first at the price of a renewal; on: Time for promotions. Returns a Quote; without
        # a price it says that none is known, never zero.
        def quote(prices, stay: nil, years: 1, on: nil)
          return UNKNOWN unless prices.transfer && (years == 1 || prices.later)

          none = Amount.new(0, prices.currency)
          fee = years == 1 ? prices.transfer : prices.transfer + (prices.later * (years - 1))
          promotion = prices.promoted?(on) ? prices.promotion : none
          extra = prices.per_transaction || none
          Quote.new(
            fee: fee,
            promotion: promotion,
            per_transaction: extra,
            tax: (fee - promotion + extra).share(prices.tax_milli_percent || 0),
            stay: (staying(stay, years) if stay&.currency == prices.currency)
          )
        end

        # The sums after one, two, … years: of moving there, or with moving: false of staying.
        # privacy: with a privacy service, whose price is nothing where none is named. Returns
        # [Amount], or [] where a price is missing.
        #   Money::Quoting.ahead(Money::Prices.of({ "currency" => "EUR" }), years: 2) # => []
        def ahead(prices, years:, moving: true, privacy: false, on: nil)
          first = moving ? quote(prices, on: on).total : prices.yearly(prices.renew)
          more = prices.yearly(prices.later)
          return [] unless first && (more || years == 1)

          none = Amount.new(0, first.currency)
          extra = (privacy && prices.privacy) || none
          (1..years).map { |n| first + ((more || none) * (n - 1)) + (extra * n) }
        end

        # So many years where it is, with fee and tax as the move has them.
        def staying(prices, years)
          first, more = [prices.renew, prices.later].map { |amount| prices.yearly(amount) }
          first && (first + (more * (years - 1)))
        end
        private_class_method :staying
      end
    end
  end
end
