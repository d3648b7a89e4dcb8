# frozen_string_literal: true

module SteadyMove
  module Wire
    # The other side asks for a pause. retry_after: seconds, or nil where it named none.
    class Busy < Unreachable
      attr_reader :retry_after

      def initialize(message, retry_after: nil)
        @retry_after = retry_after
        super(message)
      end
    end
  end
end
