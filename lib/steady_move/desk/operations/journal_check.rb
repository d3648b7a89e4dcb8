# frozen_string_literal: true

module SteadyMove
  module Desk
    # Is the journal whole? A look walks on from where the last one ended, over restarts too; the whole of it is walked
    # anew once a day, since a line that was checked may be changed later.
    class JournalCheck
      KEY = "journal-check"
      ANEW = 86_400

      # Lines that a look walks at most, so that whoever waits for it isn't kept.
      A_LOOK = 2000
      EVERY = 600

      def initialize(app)
        @app = app
        @lock = Mutex.new
      end

      # Is it time to walk on by itself, also where the clock was set back?
      def due? = @due_at.nil? || @app.now >= @due_at || @app.now < @due_at - EVERY

      # Walks to the end; for whoever has the time.
      def walk
        @due_at = @app.now + EVERY
        call(most: nil)
      end

      # most: lines to walk now. Returns [whole?, up to which line, when the walk began].
      def call(most: A_LOOK)
        @lock.synchronize do
          kept = usable(@app.keeping[KEY])
          broken, place = @app.journal.check(kept ? kept["place"] : [0, ""], most: most)
          walked = kept ? kept["walked"] : @app.now.to_i
          keep(place, walked, kept) unless broken
          [broken.nil?, place.first, Store::Values.time(walked)]
        end
      end

      private

      # What an earlier check found, where it is from today and still fits.
      def usable(kept)
        return unless kept && @app.now.to_i.between?(kept["walked"], kept["walked"] + ANEW)

        kept if @app.journal.still?(*kept["place"])
      end

      def keep(place, walked, before)
        return if before && before["place"] == place

        @app.keeping[KEY] = { "place" => place, "walked" => walked }
      rescue Sequel::DatabaseError
        nil # it is walked once more next time
      end
    end
  end
end
