# frozen_string_literal: true

module SteadyMove
  module Wire
    # It answered something that isn't the protocol's.
    class Malformed < Error
    end
  end
end
