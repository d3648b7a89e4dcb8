# frozen_string_literal: true

module SteadyMove
  module Desk
    # What a move would do, cost and take, before anything is done; and starting it. Moves of the records
    # alone, names that are only made ready, prices side by side, the handover's instants.
    #
    #   Planning::Planner.new(desk).propose("tide.example", to: "orlop")
    #   Planning::Planner.new(desk).start("tide.example", to: "orlop", by: person)
    module Planning
      extend Room

      needs :accounts,
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
             :Preparing,
             :PriceComparison
    end
  end
end
