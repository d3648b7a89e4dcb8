# frozen_string_literal: true

module SteadyMove
  module Desk
    # What a move would do, cost and take, before anything is done; and starting it. Moves of the
    # records alone, names that are only made ready, prices side by side, the handover's instants.
    #
    #   request = Planning::Request.new(name: "tide.example", to: "orlop")
    #   Planning::Planner.new(desk).propose(request)              # => Proposal or nil
    #   Planning::Planner.new(desk).start(request, by: person)    # => the move's id
    module Planning
      extend Room

      needs :accounts,
            :batches,
            :codes,
            :db,
            :dns,
            :forecasts,
            :journal,
            :messages,
            :moves,
            :names,
            :now,
            :rulebook,
            :schedule,
            :sender,
            :settings,
            :zone_migrations,
            :zones
      offers :DnsAlone,
             :HandoverOf,
             :InShort,
             :Lateness,
             :PendingHost,
             :Planner,
             :Request,
             :Caution,
             :Preparing,
             :PlanRevising,
             :PriceComparison,
             :Spending
    end
  end
end
