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

        # price: a row of PriceList with "currency" and "transfer"; stay: the same for the losing
        # side ("renew"), or nil; years: bought with the move, all but the first at the price of a
        # renewal; on: Time for promotions. Returns a Quote; without a price it says that none is
        # known, never zero.
        def quote(price, stay: nil, years: 1, on: nil)
          more = years > 1 ? later(price) : 0
          return UNKNOWN unless price["currency"] && price["transfer"] && more

          amount = ->(minor) { Amount.new(minor || 0, price.fetch("currency")) }
          fee = amount.call(price["transfer"] + ((years - 1) * more))
          promotion = amount.call(PriceList.promoted?(price, on) ? price["promotion"] : 0)
          extra = amount.call(price["per_transaction"])
          taxed = fee - promotion + extra
          same = stay && stay["currency"] == price["currency"]
          Quote.new(
            fee: fee,
            promotion: promotion,
            per_transaction: extra,
            tax: taxed.share(price["tax_milli_percent"] || 0),
            stay: same ? staying(stay, years) : nil
          )
        end

        # The sums after one, two, … years: of moving there, or with moving: false of staying.
        # privacy: with a privacy service, whose price is nothing where none is named. Returns
        # [Amount], or [] where a price is missing.
        #   Money::Quoting.ahead({ "currency" => "EUR", "renew" => 9, "transfer" => 8 }, years: 2).last.minor
        #     # => 17
        def ahead(price, years:, moving: true, privacy: false, on: nil)
          first = moving ? quote(price, on: on).total : yearly(price, price["renew"])
          next_years = yearly(price, later(price))
          return [] unless first && (next_years || years == 1)

          extra = privacy ? (price["privacy"] || 0) : 0
          (1..years).map do |n|
            first + (next_years ? next_years * (n - 1) : Amount.new(0, first.currency)) +
              Amount.new(extra * n, first.currency)
          end
        end

        # So many years where it is, with fee and tax as the move has them.
        def staying(price, years)
          first, more = [price["renew"], later(price)].map { |minor| yearly(price, minor) }
          first && (first + (more * (years - 1)))
        end

        def later(price) = price["renew_later"] || price["renew"]

        # One renewal with its fee and tax.
        def yearly(price, minor)
          return unless price["currency"] && minor

          net = Amount.new(minor + (price["per_transaction"] || 0), price["currency"])
          net + net.share(price["tax_milli_percent"] || 0)
        end
        private_class_method :staying, :later, :yearly
      end
    end
  end
end
