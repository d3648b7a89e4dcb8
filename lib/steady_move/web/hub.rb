# frozen_string_literal: true

module SteadyMove
  module Web
    # Tells open pages that something changed: server-sent events, one thread a stream.
    class Hub
      BEAT = 15
      LONGEST = 300
      STREAMS_MOST = 12
      # Changes that are remembered for pages that are a little behind.
      KEPT = 200

      # seen: answers a number that grows with every change, also of other processes; topics: says what changed after
      # such a number, as words that pages follow.
      def initialize(every: 0.5, topics: ->(_) { [] }, &seen)
        @seen = seen
        @topics = topics
        @log = []
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

      # topics: what changed.
      def notify(topics = [])
        @lock.synchronize do
          @version += 1
          @log = (@log << [@version, topics]).last(KEPT)
          @changed.broadcast
        end
      end

      # What changed after a version; everything, where that is too long ago to be known.
      def topics_since(version)
        @lock.synchronize do
          next ["all"] if version < @version && (@log.empty? || @log.first.first > version + 1)

          @log.select { |v, _| v > version }.flat_map(&:last).uniq
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
        notify(@topics.call(@last)) if now != @last
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

            yield version == known ? ": still here\n\n" : "event: changed\ndata: #{changes(known)}\n\n"
            known = version
          end
        ensure
          hub.leave
        end

        # What follows from it: the topics, parted by blanks.
        def changes(known) = hub.topics_since(known).join(" ")
      end
    end
  end
end
