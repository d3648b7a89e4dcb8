# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      module Quoting
        module_function

        # What is not known, in any currency.
        UNKNOWN = Quote.new.freeze

        # price: Hash with "currency", "transfer", and optionally "promotion", "per_transaction" (minor units)
        # and "tax_milli_percent"; stay: the same for the losing side ("renew"), or nil. Returns a Quote; without a
        # price it says that none is known, never zero.
        def quote(price, stay: nil)
          return UNKNOWN unless price["currency"] && price["transfer"]

          amount = ->(minor) { Amount.new(minor, price.fetch("currency")) }
          fee, promotion, extra = %w[transfer promotion per_transaction].map { |k| amount.call(price[k] || 0) }
          taxed = fee - promotion + extra
          same = stay && stay["renew"] && stay["currency"] == price["currency"]
          Quote.new(fee: fee, promotion: promotion, per_transaction: extra,
            tax: taxed.share(price["tax_milli_percent"] || 0), stay: same ? amount.call(stay["renew"]) : nil)
        end
      end
    end
  end
end
