# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      module Quoting
        module_function

        # price: Hash with "currency", "transfer", and optionally "promotion", "per_transaction" (minor units)
        # and "tax_milli_percent"; stay: the same for the losing side ("renew"), or nil. Returns a Quote.
        def quote(price, stay: nil)
          amount = ->(minor) { Amount.new(minor, price.fetch("currency")) }
          fee, promotion, extra = %w[transfer promotion per_transaction].map { |k| amount.call(price.fetch(k, 0)) }
          taxed = fee - promotion + extra
          Quote.new(fee: fee, promotion: promotion, per_transaction: extra,
            tax: taxed.share(price.fetch("tax_milli_percent", 0)),
            stay: stay && stay["currency"] == price["currency"] ? amount.call(stay.fetch("renew")) : nil)
        end
      end
    end
  end
end
