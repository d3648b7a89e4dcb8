# frozen_string_literal: true

require "json_schemer"
require "time"

module SteadyMove
  module Web
    # The OpenAPI document, compiled once: its operations with the schemas of what they are given.
    class Contract
      FLAGS = { "true" => true, "1" => true, "false" => false, "0" => false }.freeze

      # One operation. route: its path as Sinatra writes it; role: the least that it needs, or nil;
      # open: for anybody; outside: whom it asks outside (“name”, “account”, “move” or a lane's own
      # name), nil where nobody; sign_in: the sign-in itself answers it; confirmed: it wants the
      # password again; tried: it is a try with a secret; journal: kinds of lines of
      # which it leaves one with who; most: octets of a body; parameters: {name
      # => [type, compiled schema, is it needed?]}; body: compiled schema, or nil where it takes
      # none.
      Operation =
        Struct.new(
          :id,
          :verb,
          :path,
          :route,
          :role,
          :open,
          :outside,
          :sign_in,
          :confirmed,
          :tried,
          :journal,
          :most,
          :parameters,
          :body,
          keyword_init: true
        )

      # Patterns are those of ECMA 262, as the document's standard has it (JSON Schema §6.4): ^ and
      # $ are the ends of the whole text, not of a line.
      PATTERNS = { regexp_resolver: "ecma" }.freeze

      attr_reader :json, :operations

      # The contract with the habits that are declared now: read and compiled once.
      def self.whole = (@whole ||= {})[Core::Accounts::Habits.schema] ||= new

      def initialize
        @document = ContractFiles.join
        @json = JSON.generate(@document)
        @schemas = JSONSchemer.openapi(@document, **PATTERNS)
        @operations = compiled.freeze
      end

      def operation(id)
        operations.find { |o| o.id == id } ||
          raise(KeyError, "the contract knows no operation #{id}")
      end

      # Ids of the operations that a role may do.
      def allowed(role)
        operations
          .select { |o| o.role.nil? || Desk::People::Directory.may?(role, o.role) }
          .map(&:id)
      end

      # Parses a request's body and checks it. Returns a Hash with String keys; raises Problem 422.
      def body(text, operation)
        Input.check(text, "The request") { |says| raise Problem.new(422, says) }
        data = JSON.parse(text, max_nesting: 20)
        Input.check(data) { |says| raise Problem.new(422, says) }
        error = operation.body.validate(data).first
        raise Problem.new(422, sentence(error)) if error

        data
      rescue JSON::ParserError
        raise Problem.say(422, :not_json)
      end

      # Path and query parameters of an operation, checked and in their types; Symbol keys. Raises
      # Problem 422.
      def check(operation, given)
        operation
          .parameters
          .filter_map do |name, (type, schema, needed)|
            text = given.fetch(name) { needed && raise(missing(name)) } or next
            Input.check(text, name) { |says| raise Problem.new(422, says) }
            value = typed(type, text)
            Input.check(value, name) { |says| raise Problem.new(422, says) }
            error = schema.validate(value).first
            if error
              raise Problem.say(
                      422,
                      :parameter,
                      name: name,
                      given: text.to_s[0, 60],
                      says: plain(error)
                    )
            end

            [name.to_sym, value]
          end
          .to_h
      end

      # An RFC 3339 instant from a parameter, or nil; raises Problem 422.
      def self.instant(text)
        text && Core::Instant.parse(text)
      rescue ArgumentError
        raise Problem.say(422, :instant, given: text)
      end

      private

      def compiled
        @document["paths"].flat_map do |path, item|
          shared = item.fetch("parameters", [])
          item.except("parameters").map { |verb, operation| compile(path, verb, operation, shared) }
        end
      end

      def compile(path, verb, operation, shared)
        body = operation.dig("requestBody", "content", "application/json", "schema")
        schema = body && named(body, operation)
        parameters =
          (shared + operation.fetch("parameters", [])).to_h { |p| parameter(resolved(p)) }
        Operation.new(
          id: operation.fetch("operationId"),
          verb: verb,
          path: path,
          route: path.gsub(/\{(\w+)\}/, ':\1'),
          role: operation["x-role"],
          open: operation["security"] == [],
          outside: operation["x-outside"],
          sign_in: operation["x-sign-in"] == true,
          confirmed: operation["x-password"] == true,
          tried: operation["x-tried"] == true,
          journal: [*operation["x-journal"]],
          most: operation.fetch("x-most", Limits::JSON_MOST),
          parameters: parameters,
          body: schema && @schemas.schema(schema.split("/").last)
        ).freeze
      end

      # A body is described by name: one that isn't would be read by nobody.
      def named(body, operation)
        body["$ref"] || raise(ArgumentError, "#{operation["operationId"]}: name its body's schema")
      end

      def parameter(given)
        schema = JSONSchemer.schema(given["schema"], **PATTERNS)
        needed = given["in"] == "query" && given["required"] == true
        [given["name"], [given["schema"]["type"], schema, needed]]
      end

      def missing(name) = Problem.say(422, :parameter_missing, name: name)

      def resolved(given)
        given.key?("$ref") ? @document.dig(*given["$ref"].delete_prefix("#/").split("/")) : given
      end

      def typed(type, text)
        return text unless text.is_a?(String)

        case type
        when "integer"
          Integer(text, 10, exception: false) || text
        when "boolean"
          FLAGS.fetch(text, text)
        else
          text
        end
      end

      def plain(error) = error["error"].sub(/\A(value|object) at [^ ]* ?/, "")

      def sentence(error)
        where = error["data_pointer"].delete_prefix("/")
        Words.say(where.empty? ? :"web.request" : :"web.member", where: where, says: plain(error))
      end
    end
  end
end
