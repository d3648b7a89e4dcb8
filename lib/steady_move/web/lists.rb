# frozen_string_literal: true

module SteadyMove
  module Web
    # The last few answers to the question for the list of names: under many clients most ask the
    # same within a second.
    class Lists
      KEPT = 16

      def initialize
        @kept = {}
        @lock = Mutex.new
      end

      # key: all that the answer rests on. Returns the block's value, or what it gave before for the
      # same key.
      def fetch(key)
        @lock.synchronize { @kept[key] } || yield.tap { |answer| keep(key, answer) }
      end

      private

      def keep(key, answer)
        @lock.synchronize do
          @kept.shift while @kept.size >= KEPT
          @kept[key] = answer
        end
      end
    end
  end
end
