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

          suffix = judged.name.suffix
          here = account.prices_of(suffix)
          noted = Core::Money::Amount.of(judged.facts[:stay_price])
          stay = judged.account.prices_of(suffix).with_renewal(noted)
          Core::Money::Quoting.quote(here, stay: stay, years: years, on: at)
        end

        # What is to be seen before paying, as the plan keeps it (PlanParts::Price); nil where no
        # price is known.
        def seen(quote, account, suffix)
          return unless quote.total

          offer = quote.promotion.minor.zero? ? nil : account.prices_of(suffix)
          Core::Moves::PlanParts::Price.new(
            amount: quote.total,
            promotion_code: offer&.promotion_code,
            promotion_until: offer&.promotion_until
          ).freeze
        end
      end
    end
  end
end
