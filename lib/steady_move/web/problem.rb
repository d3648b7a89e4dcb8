# frozen_string_literal: true

module SteadyMove
  module Web
    # An error for the caller: an RFC 9457 problem document with one sentence for people.
    class Problem < StandardError
      TITLES = { 401 => "Not signed in", 403 => "Not allowed", 404 => "Not found", 409 => "Not now", 422 => "Not understood",
                 502 => "The outside did not answer" }.freeze

      attr_reader :status

      def initialize(status, detail)
        @status = status
        super(detail)
      end

      def to_json(*) = JSON.generate(type: "about:blank", title: TITLES.fetch(status, "Error"), status: status, detail: message)
    end
  end
end
