# frozen_string_literal: true

module SteadyMove
  module Desk
    # The system's clock, to the second.
    class SystemClock
      def now = Time.at(Time.now.to_i).utc
    end
  end
end
