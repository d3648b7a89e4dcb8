# frozen_string_literal: true

require "json_schemer"
require "yaml"
require "time"

module SteadyMove
  module Web
    # The OpenAPI document, and requests checked against it.
    class Contract
      FILE = File.join(ROOT, "config", "openapi.yml")
      BODY_MOST = 4 * 1024 * 1024

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

      # Query parameters of a GET path, checked and in their types; Symbol keys. Raises Problem 422.
      def query(path, params)
        wanted(path).filter_map do |name, schema|
          text = params[name] or next
          value = schema["type"] == "integer" ? Integer(text, 10, exception: false) : text
          value = text == "true" if schema["type"] == "boolean"
          error = JSONSchemer.schema(schema).validate(value).first
          raise Problem.new(422, "#{name}: “#{text}” #{error['error'].sub(/\Avalue at root /, '')}.") if error

          [name.to_sym, value]
        end.to_h
      end

      # An RFC 3339 instant from a query parameter, or nil; raises Problem 422.
      def self.instant(text)
        text && Time.iso8601(text).utc
      rescue ArgumentError
        raise Problem.new(422, "“#{text}” is not an instant such as 2027-03-01T08:00:00Z.")
      end

      private

      # {parameter => schema} of a GET path.
      def wanted(path)
        @document.dig("paths", path, "get", "parameters").to_h do |p|
          p = @document.dig(*p["$ref"].delete_prefix("#/").split("/")) if p.key?("$ref")
          [p["name"], p["schema"]]
        end
      end

      def sentence(error)
        where = error["data_pointer"].delete_prefix("/")
        "#{where.empty? ? 'The request' : where}: #{error['error'].sub(/\A(value|object) at [^ ]* ?/, '')}."
      end
    end
  end
end
