# frozen_string_literal: true

require "rufus-scheduler"

module SteadyMove
  module Desk
    # Wakes the runner: every few seconds, and at once when somebody has said something.
    class Engine
      EVERY = "2s"

      # on_error: called with what escaped from a pass; the engine goes on.
      def initialize(runner, on_error: ->(e) { warn e.full_message })
        @runner = runner
        @on_error = on_error
        @scheduler = nil
      end

      def start
        @scheduler = Rufus::Scheduler.new
        @scheduler.every(EVERY, overlap: false) { pass }
        self
      end

      # Runs a pass soon, without keeping the caller waiting.
      def nudge = @scheduler&.in("0s") { pass }
      def stop = @scheduler&.shutdown(:wait)

      private

      def pass
        @runner.pass
      rescue StandardError => e
        @on_error.call(e)
      end
    end
  end
end
