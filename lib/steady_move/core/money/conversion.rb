# frozen_string_literal: true

require "bigdecimal"

module SteadyMove
  module Core
    module Money
      # Sums in one currency beside those in another, at rates that a person typed in with their
      # date. Nothing is ever converted but to be looked at: what is paid stays in its own currency.
      module Conversion
        # to: the currency that is looked at; rates: {currency => how many of `to` one of it is, as
        # decimal text}; date.
        Rates = Struct.new(:to, :rates, :date, keyword_init: true)

        module_function

        # Returns an Amount in rates.to, rounded half up, or nil where no rate is known.
        #   Money::Conversion.convert(Money::Amount.new(7, "EUR"), Money::Conversion::Rates.new(to: "EUR")).minor
        #     # => 7
        def convert(amount, rates)
          return amount if amount.currency == rates.to

          rate = rates.rates[amount.currency] or return
          places = Currency.digits(rates.to) - Currency.digits(amount.currency)
          exact = BigDecimal(amount.minor) * BigDecimal(rate) * (BigDecimal(10)**places)
          Amount.new(exact.round(0, BigDecimal::ROUND_HALF_UP).to_i, rates.to)
        end
      end
    end
  end
end
