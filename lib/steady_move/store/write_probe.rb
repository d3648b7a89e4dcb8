# frozen_string_literal: true

module SteadyMove
  module Store
    # Can the database be written just now, and is it still the one that the desk opened? Tried with
    # a row of its own, at most once in a few seconds.
    class WriteProbe
      EVERY = 5
      # Milliseconds that it waits for whoever else writes.
      PATIENCE = 1000

      # path: of the database's file; clock: answers now as a number of seconds.
      def initialize(path, clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
        @path = path
        @place = place
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

      # Nothing is made where nothing is.
      def feel
        return Words.say(:"trouble.swapped") if place != @place

        db = SQLite3::Database.new(@path, flags: SQLite3::Constants::Open::READWRITE)
        db.busy_handler_timeout = PATIENCE
        beat(db.get_first_value("UPDATE pulse SET beat = beat + 1 RETURNING beat"))
      rescue SQLite3::Exception, SystemCallError => e
        Trouble.say(e) || Words.say(:"trouble.other", says: e.message.scrub.lines.first.to_s.strip)
      ensure
        db&.close
      end

      # It only rises; where it fell, an older copy was put in the file's place.
      def beat(number)
        fell = @beat && number <= @beat
        @beat = number unless fell
        Words.say(:"trouble.swapped") if fell
      end

      # The file itself, whatever is at its path later.
      def place
        found = File.stat(@path)
        [found.dev, found.ino]
      rescue Errno::ENOENT
        nil
      end
    end
  end
end
