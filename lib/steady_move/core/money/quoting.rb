# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What a move costs, and what staying and going cost in the years ahead. Common practice, no
      # source.
      module Quoting
        module_function

        # What is not known, in any currency.
        UNKNOWN = Quote.new(without: [].freeze).freeze

        # prices: Prices; stay: what staying costs (staying), or nil; years: bought with the move,
        # all but the first at the price of a renewal; on: Time for promotions; privacy: is a
        # privacy service wanted there? Returns a Quote; without a price it says that none is known,
        # never zero.
        def quote(prices, stay: nil, years: 1, on: nil, privacy: false)
          return UNKNOWN unless prices.transfer && (years == 1 || prices.later)

          none = Amount.new(0, prices.currency)
          parts = {
            fee: fee(prices, years),
            promotion: prices.promoted?(on) ? prices.promotion : none,
            per_transaction: prices.per_transaction || none,
            privacy: (prices.privacy&.*(years) if privacy)
          }
          Quote.new(
            **parts,
            tax: net(**parts).share(prices.tax_milli_percent || 0),
            stay: (stay if stay&.currency == prices.currency),
            without: privacy && prices.privacy.nil? ? [:privacy] : []
          )
        end

        # The sums after one, two, … years: of moving there, or with moving: false of staying.
        # privacy: with a privacy service. Returns [Amount], or [] where a price is missing.
        #   Money::Quoting.ahead(Money::Prices.of({ "currency" => "EUR" }), years: 2) # => []
        def ahead(prices, years:, moving: true, privacy: false, on: nil)
          first = moving ? quote(prices, on: on).total : prices.yearly(prices.renew)
          more = prices.yearly(prices.later)
          hidden = privacy ? taxed(prices, prices.privacy) : Amount.new(0, prices.currency)
          return [] unless first && hidden && (more || years == 1)

          none = Amount.new(0, first.currency)
          (1..years).map { |n| first + ((more || none) * (n - 1)) + (hidden * n) }
        end

        # So many years where it is, with fee and tax as the move has them. privacy: with a privacy
        # service. Returns an Amount; nil where a price is missing.
        def staying(prices, years: 1, privacy: false)
          first, more = [prices.renew, prices.later].map { |amount| prices.yearly(amount) }
          hidden = privacy ? taxed(prices, prices.privacy) : Amount.new(0, prices.currency)
          first && hidden && (first + (more * (years - 1)) + (hidden * years))
        end

        def fee(prices, years)
          years == 1 ? prices.transfer : prices.transfer + (prices.later * (years - 1))
        end

        def taxed(prices, amount)
          amount && (amount + amount.share(prices.tax_milli_percent || 0))
        end

        def net(fee:, promotion:, per_transaction:, privacy:)
          [fee - promotion + per_transaction, privacy].compact.reduce(:+)
        end
        private_class_method :fee, :taxed, :net
      end
    end
  end
end
