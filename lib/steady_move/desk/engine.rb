# frozen_string_literal: true

module SteadyMove
  module Desk
    # What works without anybody's asking: due steps are taken, background tasks run, each
    # connection in a pool of its own.
    #
    #   runner = Engine::StepRunner.new(desk)
    #   Engine::Scheduler.new(runner).start
    module Engine
      extend Room

      needs :accounts, :db, :journal, :moves, :names, :now, :random, :schedule
      offers :Scheduler, :StepRunner, :WorkerPools
    end
  end
end
