# frozen_string_literal: true

module Practice
  module DeskSide
    # A clock that follows the practice world's.
    class Clock
      AGE = 2

      def initialize(link, monotonic: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
        @link = link
        @monotonic = monotonic
        @lock = Mutex.new
        sync
      end

      def now
        @lock.synchronize do
          sync if @monotonic.call - @synced > AGE
          Time.at(@at.to_i + ((@monotonic.call - @synced) * @rate).floor).utc
        end
      end

      # Reads the world's clock again; where the world is away, the last reading runs on.
      def sync
        state = @link.state
        @at = Time.iso8601(state["now"])
        @rate = state["rate"]
        @synced = @monotonic.call
      rescue Link::Away
        raise unless @at
      end
    end
  end
end
