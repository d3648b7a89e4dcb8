# frozen_string_literal: true

require "timeout"

module SteadyMove
  module Wire
    # One deadline over all of an exchange: however slowly the other side drips, it ends then.
    class Deadline
      # It has passed.
      class Passed < StandardError
      end

      # seconds: from now on.
      def initialize(seconds)
        @seconds = seconds
        @ends = monotonic + seconds
      end

      attr_reader :seconds

      def left = @ends - monotonic

      # Runs the block for as long as is left; raises Passed.
      def hold(&)
        raise Passed if left <= 0

        Timeout.timeout(left, Passed, &)
      end

      private

      def monotonic = Process.clock_gettime(Process::CLOCK_MONOTONIC)
    end
  end
end
