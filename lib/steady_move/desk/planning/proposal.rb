# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # plan: Moves::Plan; refusals: why it can't start; cautions: what to know; zone: what is known
      # of the records; schedule: Blocks.
      # ready: what is known of the destination (Accounts::DestinationChecks::Check).
      # told: [Caution], each once: key says of what kind it is (a rule's id, or a word of our own).
      # lost_days: paid days that the move would lose; nil where the expiry is not known.
      # late: may it expire on the way, so that a person has to choose? renewal: Amount of a year
      # bought first, or nil; dns_question: name servers of which it has to be said whether they
      # outlive the registration.
      Proposal =
        Struct.new(
          :plan,
          :quote,
          :refusals,
          :told,
          :zone,
          :schedule,
          :ready,
          :lost_days,
          :late,
          :renewal,
          :dns_question,
          keyword_init: true
        ) do
          def startable? = refusals.empty?
          def cautions = told.map(&:says)
          def renews? = plan.options.include?(:renew)

          # All that is paid: at the gaining side, and for a year bought first; nil where either is
          # not known.
          def total
            return quote.total unless renews?
            return unless quote.total && renewal && quote.total.currency == renewal.currency

            quote.total + renewal
          end
        end
    end
  end
end
