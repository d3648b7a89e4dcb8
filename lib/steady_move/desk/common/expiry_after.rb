# frozen_string_literal: true

module SteadyMove
  module Desk
    module Common
      # The expiry that a move left a name with: as the record showed it once it had landed, else as
      # it is reckoned.
      module ExpiryAfter
        module_function

        # Returns [Time or nil, was it seen?].
        def of(move)
          seen = move.state.told("shown_expiry")&.data&.fetch("shown_expiry")
          [seen || reckoned(move.plan, landed_at(move.state)), !seen.nil?]
        end

        # When it landed; nil where it has not.
        def landed_at(state)
          event = state.told("landed_at") and event.data["landed_at"] || event.at
        end

        # As computed from the instant of the landing; without one as it was planned.
        def reckoned(plan, landed_at)
          return plan.expected_expiry unless landed_at && plan.expires_at

          Core::Expiry.after_move(
            expires_at: plan.expires_at,
            landed_at: landed_at,
            years: plan.years,
            max_years: plan.max_years || 10,
            in_grace: grace?(plan, landed_at)
          ).expires_at
        end

        # Days that were paid for and are not in its expiry; nil where that is not known. The losing
        # side's own year is none of them where it was taken back: that is money.
        def lost_days(move)
          plan = move.plan
          after, = of(move)
          return unless plan.expires_at && after && plan.years

          grace = grace?(plan, landed_at(move.state))
          whole = Core::Expiry.add_years(plan.expires_at, grace ? plan.years - 1 : plan.years)
          [((whole - after) / 86_400).round, 0].max
        end

        # Is the losing side's automatic year taken back by a landing then?
        def grace?(plan, landed_at)
          plan.in_grace == true &&
            (landed_at.nil? || plan.grace_ends_at.nil? || landed_at < plan.grace_ends_at)
        end
      end
    end
  end
end
