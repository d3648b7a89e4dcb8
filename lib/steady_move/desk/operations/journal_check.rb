# frozen_string_literal: true

module SteadyMove
  module Desk
    module Operations
      # Is the journal whole? A look walks on from where the last one ended, over restarts too; the
      # whole of it is walked anew once a day, since a line that was checked may be changed later.
      class JournalCheck
        KEY = "journal-check"
        ANEW = 86_400

        # Lines that a look walks at most, so that whoever waits for it isn't kept.
        A_LOOK = 2000
        EVERY = 600

        def initialize(ports)
          @ports = Ports.of(ports)
          @lock = Mutex.new
        end

        # Is it time to walk on by itself, also where the clock was set back?
        def due? = @due_at.nil? || @ports.now >= @due_at || @ports.now < @due_at - EVERY

        # Walks to the end; for whoever has the time.
        def walk
          @due_at = @ports.now + EVERY
          call(most: nil)
        end

        # most: lines to walk now. Returns [whole?, up to which line, when the walk began].
        def call(most: A_LOOK)
          @lock.synchronize do
            kept = usable(@ports.system_state[KEY])
            broken, place = @ports.journal.check(kept ? kept["place"] : [0, ""], most: most)
            walked = kept ? kept["walked"] : @ports.now.to_i
            # also where it is broken: a look after this one begins right before the damage
            keep(place, walked, broken, kept)
            [broken.nil?, place.first, Store::Values.time(walked)]
          end
        end

        private

        # What an earlier check found, where it is from today and still fits. Damage that was found
        # stays known until it is walked past.
        def usable(kept)
          return kept if kept && kept["broken"]
          return unless kept && @ports.now.to_i.between?(kept["walked"], kept["walked"] + ANEW)

          kept if @ports.journal.still?(*kept["place"])
        end

        def keep(place, walked, broken, before)
          found = { "place" => place, "walked" => walked, "broken" => broken }
          @ports.system_state[KEY] = found unless before == found
        rescue Sequel::DatabaseError
          nil # it is walked once more next time
        end
      end
    end
  end
end
