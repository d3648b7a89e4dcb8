# frozen_string_literal: true

require "rufus-scheduler"

module SteadyMove
  module Desk
    module Engine
      # Wakes the runner: every few seconds, and at once when somebody has said something.
      class Scheduler
        EVERY = "2s"
        # Seconds that work under way is given when the desk stops.
        GRACE = 5

        # on_error: called with what escaped; the engine goes on.
        def initialize(runner, on_error: ->(e) { warn e.full_message })
          @runner = runner
          @on_error = on_error
          @scheduler = nil
          @beat = monotonic
        end

        # Seconds since it last came round.
        def beat_age = monotonic - @beat

        def start
          guarded { @runner.follow }
          @scheduler = Rufus::Scheduler.new
          @scheduler.every(EVERY, overlap: false, first: :now) { beat }
          self
        end

        # Has the runner look soon, without keeping the caller waiting.
        def nudge = @scheduler&.in("0s") { guarded { @runner.dispatch } }

        def stop
          @scheduler&.shutdown(:wait)
          @runner.rest(GRACE)
        end

        private

        def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)

        def beat
          guarded { @runner.dispatch }
          @beat = monotonic
        end

        def guarded
          yield
        rescue StandardError => e
          @on_error.call(e)
        end
      end
    end
  end
end
