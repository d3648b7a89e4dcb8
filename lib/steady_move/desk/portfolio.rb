# frozen_string_literal: true

module SteadyMove
  module Desk
    # All names held, judged and kept in memory, for the list: one deck for each destination that is asked about.
    class Portfolio
      # Still being read: how many names of how many.
      Working = Struct.new(:done, :of, keyword_init: true)
      DECKS = 3

      def initialize(app)
        @app = app
        @base = Deck.new(app)
        @decks = {}
        @lock = Mutex.new
      end

      # at, now: Time; to: account id or nil; patience: seconds to wait for a first reading.
      # Returns [Picture at the instant, Picture now without a destination], or [Working, nil].
      def pictures(at:, now:, to: nil, patience: 0.5)
        decks = [deck(to), deck(nil)]
        slow = decks.uniq.find { |d| !d.ready?(patience) }
        return [Working.new(done: slow.done, of: slow.of), nil] if slow

        [decks.first.picture(at.to_i), decks.last.picture(now.to_i)]
      end

      # Reads everything at once, e.g. at start.
      def warm = deck(nil).ready?(600)

      private

      def deck(to)
        @lock.synchronize do
          next @base unless to

          found = @decks.delete(to) || DeckTowards.new(@app, @base, to)
          @decks.shift while @decks.size >= DECKS
          @decks[to] = found
        end
      end
    end
  end
end
