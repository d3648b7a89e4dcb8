# frozen_string_literal: true

module SteadyMove
  module Web
    # Who has which sheet open just now. Only in memory: whoever does not say so again is gone.
    class Presence
      # Seconds for which a word counts; pages say it three times in that time.
      FRESH = 60
      MOST = 500

      def initialize(monotonic: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
        @monotonic = monotonic
        @lock = Mutex.new
        @seen = {}
      end

      # Notes that a person looks at something. Returns who else does, in order.
      def here(what, email)
        now = @monotonic.call
        @lock.synchronize do
          @seen.delete_if { |_, at| now - at > FRESH }
          @seen.delete(@seen.keys.first) if @seen.size >= MOST
          @seen[[what, email]] = now
          @seen.keys.filter_map { |thing, who| who if thing == what && who != email }.sort
        end
      end
    end
  end
end
