# frozen_string_literal: true

module SteadyMove
  module Desk
    # Several names at once: made, reviewed, compared, rehearsed, started wave by wave within
    # limits.
    #
    #   Batches::BatchCommands.new(desk).make(names, by: person, to: "orlop")
    #   Batches::BatchReview.new(desk).review(batch)
    #   Batches::Agreements.new(desk).ask(id, by: person, client: "Lanternroom")
    module Batches
      extend Room

      needs :accounts,
            :batches,
            :db,
            :forecasts,
            :journal,
            :moves,
            :names,
            :now,
            :rulebook,
            :settings,
            :zone_migrations
      offers :Agreements,
             :Batch,
             :BatchCommands,
             :BatchReview,
             :BatchRun,
             :Comparison,
             :Rehearsing,
             :Waiting
    end
  end
end
