# frozen_string_literal: true

module SteadyMove
  module Store
    # Can the database be written just now? Tried with a row of its own, at most once in a few
    # seconds.
    class WriteProbe
      EVERY = 5
      # Milliseconds that it waits for whoever else writes.
      PATIENCE = 1000

      # path: of the database's file; clock: answers now as a number of seconds.
      def initialize(path, clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
        @path = path
        @clock = clock
        @lock = Mutex.new
      end

      # nil where all is well, else one sentence.
      def trouble
        @lock.synchronize do
          now = @clock.call
          @felt = [now, feel] if @felt.nil? || now - @felt.first >= EVERY
          @felt.last
        end
      end

      def inspect = "#<WriteProbe>"

      private

      def feel
        db = SQLite3::Database.new(@path)
        db.busy_handler_timeout = PATIENCE
        db.execute("UPDATE pulse SET beat = beat + 1")
        nil
      rescue SQLite3::Exception, SystemCallError => e
        Trouble.say(e) || Words.say(:"trouble.other", says: e.message.scrub.lines.first.to_s.strip)
      ensure
        db&.close
      end
    end
  end
end
