# frozen_string_literal: true

module SteadyMove
  module Desk
    # The last few pictures that were asked of a deck.
    class Pictures
      KEPT = 4

      def initialize
        @kept = {}
        @lock = Mutex.new
      end

      # list: [Deck::Entry]; version: of the deck; at: seconds.
      def of(list, version, at)
        @lock.synchronize do
          key, found = @kept.find { |_, p| p.version == version && p.holds_at?(at) }
          return (@kept[key] = @kept.delete(key)).at(at) if found

          @kept.shift while @kept.size >= KEPT
          @kept[at] = Picture.new(list, at, version: version)
        end
      end
    end
  end
end
