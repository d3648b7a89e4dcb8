# frozen_string_literal: true

module SteadyMove
  module Web
    # For the files in routes/: `on "operationId" do … end` says what answers an operation of the
    # contract.
    module Answers
      def answers = @answers ||= {}
      def on(operation, &answer) = answers[operation] = answer
    end
  end
end
