# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What a move costs against staying, from the prices of both accounts.
      module Pricing
        module_function

        # A name with its registry's own price costs what nobody here knows. Returns
        # Core::Money::Quoting::Quote.
        def quote(judged, account, years:, at:)
          return Core::Money::Quoting::UNKNOWN if judged.facts[:premium]

          here, stay =
            [account, judged.account].map do |a|
              Core::Money::PriceList.for_suffix(a.prices, judged.name.suffix)
            end
          noted = judged.facts[:stay_price]
          stay = stay.merge("renew" => noted["minor"], "currency" => noted["currency"]) if noted
          Core::Money::Quoting.quote(here, stay: stay, years: years, on: at)
        end

        # What is to be seen before paying, as the plan keeps it (PlanParts::Price); nil where no
        # price is known.
        def seen(quote, account, suffix)
          return unless quote.total

          row = Core::Money::PriceList.for_suffix(account.prices, suffix)
          row = {} if quote.promotion.minor.zero?
          Core::Moves::PlanParts::Price.new(
            amount: quote.total,
            promotion_code: row["promotion_code"],
            promotion_until: row["promotion_until"]
          ).freeze
        end
      end
    end
  end
end
