# frozen_string_literal: true

module SteadyMove
  module Web
    # Tells open pages that something changed: server-sent events, one thread a stream.
    class Hub
      BEAT = 15
      LONGEST = 300
      STREAMS_MOST = 12

      # seen: answers a number that grows with every change, also of other processes.
      def initialize(every: 0.5, &seen)
        @seen = seen
        @every = every
        @lock = Mutex.new
        @changed = ConditionVariable.new
        @version = 0
        @open = 0
        @closed = false
      end

      # Watches for changes until the process ends.
      def start
        @last = @seen.call
        Thread.new { loop { watch } }
      end

      def notify
        @lock.synchronize do
          @version += 1
          @changed.broadcast
        end
      end

      # Ends all streams, so that the server can stop.
      def close
        @closed = true
        notify
      end

      def closed? = @closed
      def full? = @open >= STREAMS_MOST
      def stream = Stream.new(self)

      # Waits until the version differs from the one known, at most a beat; returns the version.
      def wait_beyond(known)
        @lock.synchronize do
          @changed.wait(@lock, BEAT) if @version == known
          @version
        end
      end

      def version = @lock.synchronize { @version }
      def enter = @lock.synchronize { @open += 1 }
      def leave = @lock.synchronize { @open -= 1 }

      private

      def watch
        now = @seen.call
        notify if now != @last
        @last = now
        sleep @every
      rescue Sequel::DatabaseError
        sleep @every
      end

      # A Rack body that yields events as they come; ended after a while, the browser opens it anew.
      Stream = Struct.new(:hub) do
        def each
          hub.enter
          known = hub.version
          yield "retry: 1000\n\n"
          (LONGEST / BEAT).times do
            version = hub.wait_beyond(known)
            break if hub.closed?

            yield version == known ? ": still here\n\n" : "event: changed\ndata: #{version}\n\n"
            known = version
          end
        ensure
          hub.leave
        end
      end
    end
  end
end
