# frozen_string_literal: true

module SteadyMove
  module Store
    # How often accounts, DNS hosts or a site's own rules changed, for whoever keeps them in memory.
    # Asked of the database at most every twentieth of a second, so that another process's change is
    # seen that soon; one's own at once.
    class ChangeCounter
      HOLDS = 0.05

      def initialize(db)
        @row = db[:stamps].where(key: "places")
        @asked = nil
      end

      def current
        now = Process.clock_gettime(Process::CLOCK_MONOTONIC)
        asked = @asked
        return asked.last if asked && now - asked.first < HOLDS

        @row.get(:count).tap { |count| @asked = [now, count].freeze }
      end

      # Something was changed here.
      def touch = @asked = nil
    end
  end
end
