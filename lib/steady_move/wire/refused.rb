# frozen_string_literal: true

module SteadyMove
  module Wire
    # It understood and said no. code: the protocol’s own code.
    class Refused < Error
      attr_reader :code

      def initialize(code, message)
        @code = code
        super(message)
      end
    end
  end
end
