# frozen_string_literal: true

module SteadyMove
  module Desk
    # A move under way: what each step does and how it is proven, what people say and do by hand,
    # where a transfer stands as it shows from outside, approvals, and transfers that nobody here
    # ordered.
    #
    #   Moves::MoveCommands.new(desk).approve(id, by: person)
    #   Moves::ManualSteps.new(desk).places           # what is to be done by hand, by place
    #   Moves::UnrequestedTransfers.new(desk).written(row)      # the one way in which mail tells moves
    module Moves
      extend Room

      needs :accounts,
            :batches,
            :clock,
            :codes,
            :db,
            :dns,
            :epp,
            :forecasts,
            :journal,
            :letters,
            :messages,
            :moves,
            :names,
            :now,
            :random,
            :rdap,
            :rulebook,
            :schedule,
            :sender,
            :unrequested_transfers,
            :watches,
            :zone_migrations,
            :zones
      offers :Act,
             :Approvals,
             :Assignment,
             :Contacts,
             :Instructions,
             :ManualOrders,
             :ManualSteps,
             :MoveCommands,
             :Obstacles,
             :Ordered,
             :Patience,
             :PollQueue,
             :StepContext,
             :StepPorts,
             :Timeline,
             :UnrequestedTransferSafety,
             :UnrequestedTransfers
    end
  end
end
