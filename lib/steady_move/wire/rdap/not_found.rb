# frozen_string_literal: true

module SteadyMove
  module Wire
    module Rdap
      # The registry's public record does not hold the name (HTTP 404, RFC 7480 §5.3).
      class NotFound < Refused
      end
    end
  end
end
