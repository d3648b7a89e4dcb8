# frozen_string_literal: true

module SteadyMove
  module Wire
    # Anything that goes wrong on the way to the outside. `says` is one plain sentence for people.
    class Error < StandardError
      def says = message
    end
  end
end
