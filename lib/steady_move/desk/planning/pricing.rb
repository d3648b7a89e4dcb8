# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What a move costs against staying, from the prices of both accounts.
      module Pricing
        # Rules for whose sake a privacy service is turned off.
        COVERS = %w[privacy-on privacy-first].freeze

        module_function

        # What a move to account costs with the settings that are wanted there. aims:
        # Core::Moves::TargetSettings; at: Time. A name with its registry's own price costs what
        # nobody here knows. Returns Core::Money::Quote.
        def quote(judged, account, aims:, at:)
          return Core::Money::Quoting::UNKNOWN if judged.facts[:premium]

          hidden = hidden?(judged)
          found =
            Core::Money::Quoting.quote(
              account.prices_of(judged.name.suffix),
              stay: Core::Money::Quoting.staying(here(judged), years: aims.years, privacy: hidden),
              years: aims.years,
              on: at,
              privacy: aims.privacy?(hidden)
            )
          hidden && here(judged).privacy.nil? ? lacking(found, :stay_privacy) : found
        end

        # One more year where it is: an Amount, nil where nobody knows it.
        def renewal(judged)
          judged.facts[:premium] ? nil : Core::Money::Quoting.staying(here(judged))
        end

        # Does a privacy service stand in for its contacts now?
        def hidden?(judged)
          !!judged.facts[:privacy] || judged.verdict.fixes.any? { |f| COVERS.include?(f.rule) }
        end

        def here(judged)
          noted = Core::Money::Amount.of(judged.facts[:stay_price])
          judged.account.prices_of(judged.name.suffix).with_renewal(noted)
        end

        def lacking(quote, what)
          Core::Money::Quote.new(**quote.to_h, without: quote.without + [what])
        end
        private_class_method :here, :lacking

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
