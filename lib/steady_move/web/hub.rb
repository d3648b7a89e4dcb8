# frozen_string_literal: true

module SteadyMove
  module Web
    # Tells open pages that something changed: server-sent events. All streams are written by one
    # thread, so that an open page holds nobody else up.
    class Hub
      # Seconds between signs of life on a stream.
      BEAT = 15
      # Streams of one person, and of all together (each is a file descriptor).
      OWN_MOST = 12
      MOST = 500
      BEGINNING = "retry: 1000\n\n"

      # seen: answers a number that grows with every change, also of other processes; topics: says
      # what changed after such a number, as words that pages follow; trouble: what hinders the desk
      # as a whole, or nil: pages are told when that changes.
      # on_error: is given what nobody foresaw, once until something else comes.
      def initialize(every: 0.5, topics: ->(_) { [] }, trouble: -> {}, on_error: ->(_) {}, &seen)
        @seen = seen
        @topics = topics
        @trouble = trouble
        @every = every
        @on_error = on_error
        @lock = Mutex.new
        @streams = []
        @closed = false
      end

      # Watches for changes until the process ends.
      def start
        @last = @seen.call
        @told = @trouble.call
        @heard = @beat = now
        @thread = Thread.new { watch until @closed }
      end

      # A stream for this person, or nil where there are too many. since: the number up to which the
      # page knows of changes, or nil; what came after it is told first. The block says whether the
      # person is still signed in.
      def stream(person_id, since: nil, &here)
        @lock.synchronize do
          if @streams.size >= MOST || @streams.count { |s| s.person_id == person_id } >= OWN_MOST
            return
          end

          Stream.new(self, person_id, since, here).tap { |s| @streams << s }
        end
      end

      # What a page that knows of changes up to this number has missed, as it is told; a number that
      # was never reached here is of another desk (a backup that was restored).
      def missed(since)
        now = @seen.call.to_i
        return "" if since.nil? || since == now

        event(since < now ? @topics.call(since) : ["all"])
      end

      # topics: what changed. Writes it to all streams.
      def notify(topics = []) = send_out(event(topics))

      # Ends all streams, so that the server can stop.
      def close
        @closed = true
        @lock.synchronize { @streams.dup }.each(&:end)
      end

      # Seconds since changes were last looked for without an error; nil before the start.
      def beat_age = @beat && (now - @beat)

      def left(stream) = @lock.synchronize { @streams.delete(stream) }
      def open = @lock.synchronize { @streams.size }

      private

      def event(topics) = "event: changed\ndata: #{topics.join(" ")}\n\n"
      def now = Process.clock_gettime(Process::CLOCK_MONOTONIC)

      def watch
        seen = @seen.call
        told = @trouble.call
        if told != @told
          @told = told
          notify
        elsif seen != @last
          notify(@topics.call(@last))
        elsif now - @heard > BEAT
          send_out(": still here\n\n")
        end
        @last = seen
        @beat = now
        @failing = nil
      rescue Sequel::DatabaseError
        @beat = now # told as the database's own trouble
      rescue StandardError => e
        # One error ends no page's stream: it is told, and tried again.
        @on_error.call(e) unless e.message == @failing
        @failing = e.message
      ensure
        sleep @every
      end

      def send_out(text)
        @heard = now
        @lock.synchronize { @streams.dup }.each { |s| s.say(text) }
      end

      # One page's stream; the server hands it the connection (Rack's partial hijacking). A page
      # that takes nothing, or whose person is no longer signed in, is let go; a browser that is
      # still there opens another.
      class Stream
        attr_reader :person_id

        def initialize(hub, person_id, since, here)
          @hub = hub
          @since = since
          @person_id = person_id
          @here = here
          @lock = Mutex.new
          @gone = false
          @begun = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        end

        # Rack calls this once the headers are sent; the connection stays open when it returns.
        def call(io)
          @lock.synchronize { @io = io }
          say(BEGINNING + @hub.missed(@since), ask: false)
        rescue Sequel::DatabaseError
          self.end # asked for again in a second
        end

        def say(text, ask: true)
          return self.end if ask && (never_taken? || !@here.call)

          @lock.synchronize do
            next if @io.nil? || @gone

            self.end if write(text) < text.bytesize
          end
        rescue Sequel::DatabaseError
          nil
        rescue SystemCallError, IOError
          self.end
        end

        def end
          return if @gone

          @gone = true
          @hub.left(self)
          @io&.close
        rescue SystemCallError, IOError
          nil
        end

        private

        # Whoever asked was gone before the headers were sent, or asked for these alone.
        def never_taken?
          @io.nil? && Process.clock_gettime(Process::CLOCK_MONOTONIC) - @begun > BEAT
        end

        def write(text)
          written =
            (
              if @io.respond_to?(:write_nonblock)
                @io.write_nonblock(text, exception: false)
              else
                @io.write(text)
              end
            )
          written.is_a?(Integer) ? written : 0
        end
      end
    end
  end
end
