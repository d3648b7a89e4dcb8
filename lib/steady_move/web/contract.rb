# frozen_string_literal: true

require "json_schemer"
require "yaml"
require "time"

module SteadyMove
  module Web
    # The OpenAPI document, and requests checked against it.
    class Contract
      FILE = File.join(ROOT, "config", "openapi.yml")
      BODY_MOST = 512 * 1024

      attr_reader :json

      def initialize
        @document = YAML.safe_load_file(FILE)
        @json = JSON.generate(@document)
        @openapi = JSONSchemer.openapi(@document)
      end

      # Parses a request body and checks it against components/schemas/NAME. Returns a Hash with String keys; raises Problem 422.
      def body(text, schema)
        raise Problem.new(422, "The request is larger than #{BODY_MOST} octets.") if text.bytesize > BODY_MOST

        data = JSON.parse(text, max_nesting: 20)
        error = @openapi.schema(schema).validate(data).first
        raise Problem.new(422, sentence(error)) if error

        data
      rescue JSON::ParserError
        raise Problem.new(422, "The request is not JSON.")
      end

      # An RFC 3339 instant from a query parameter, or nil; raises Problem 422.
      def self.instant(text)
        text && Time.iso8601(text).utc
      rescue ArgumentError
        raise Problem.new(422, "“#{text}” is not an instant such as 2027-03-01T08:00:00Z.")
      end

      private

      def sentence(error)
        where = error["data_pointer"].delete_prefix("/")
        "#{where.empty? ? 'The request' : where}: #{error['error'].sub(/\A(value|object) at [^ ]* ?/, '')}."
      end
    end
  end
end
