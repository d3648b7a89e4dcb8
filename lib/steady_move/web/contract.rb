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
        @templates = templates.freeze
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

      # The operation at a path and its path parameters: [Hash, {name => text}]; nil where the document knows none.
      def operation(verb, path)
        @templates.each do |pattern, names, item|
          match = item.key?(verb) && pattern.match(path) or next
          return [item[verb].merge("parameters" => (item["parameters"] || []) + (item[verb]["parameters"] || [])), names.zip(match.captures).to_h]
        end
        nil
      end

      # Path and query parameters of an operation, checked and in their types; Symbol keys. Raises Problem 422.
      def check(operation, given)
        wanted(operation).filter_map do |name, schema|
          text = given[name] or next
          value = typed(schema, text)
          error = JSONSchemer.schema(schema).validate(value).first
          raise Problem.new(422, "#{name}: “#{text.to_s[0, 60]}” #{error['error'].sub(/\Avalue at root /, '')}.") if error

          [name.to_sym, value]
        end.to_h
      end

      # The same by path, for a GET.
      def query(path, params) = check(operation("get", path).first, params)

      # An RFC 3339 instant from a query parameter, or nil; raises Problem 422.
      def self.instant(text)
        text && Time.iso8601(text).utc
      rescue ArgumentError
        raise Problem.new(422, "“#{text}” is not an instant such as 2027-03-01T08:00:00Z.")
      end

      private

      # {parameter => schema} of an operation.
      def wanted(operation)
        operation["parameters"].to_h do |p|
          p = @document.dig(*p["$ref"].delete_prefix("#/").split("/")) if p.key?("$ref")
          [p["name"], p["schema"]]
        end
      end

      def typed(schema, text)
        return text unless text.is_a?(String)

        case schema["type"]
        when "integer" then Integer(text, 10, exception: false) || text
        when "boolean" then { "true" => true, "1" => true, "false" => false, "0" => false }.fetch(text, text)
        else text
        end
      end

      # [[Regexp, names of its parameters, path item]]; paths without parameters first.
      def templates
        @document["paths"].sort_by { |path, _| path.count("{") }.map do |path, item|
          [/\A#{Regexp.escape(path).gsub(/\\{\w+\\}/, '([^/]+)')}\z/, path.scan(/\{(\w+)\}/).flatten, item]
        end
      end

      def sentence(error)
        where = error["data_pointer"].delete_prefix("/")
        "#{where.empty? ? 'The request' : where}: #{error['error'].sub(/\A(value|object) at [^ ]* ?/, '')}."
      end
    end
  end
end
