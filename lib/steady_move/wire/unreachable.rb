# frozen_string_literal: true

module SteadyMove
  module Wire
    # The other side can't be reached, or went away in the middle: trying again later may help.
    class Unreachable < Error
    end
  end
end
