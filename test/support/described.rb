# frozen_string_literal: true

require "json"
require "json_schemer"
require "rack/mock"

# Holds every JSON answer of the desk against the contract: its status is described, and so is every
# member of it. A Rack application around the desk's own, for tests.
class Described
  # An answer, or a member of one, that the contract has no word for.
  class Undescribed < StandardError
  end

  SHUT = { "unevaluatedProperties" => false }.freeze

  class << self
    def contract = @contract ||= JSON.parse(JSON.generate(SteadyMove::Web::ContractFiles.join))

    # {[verb, pattern of the path] => {status => schema}}, every object closed to what is not named.
    def operations
      @operations ||=
        begin
          closed = close(contract, composed(contract))
          all = JSONSchemer.openapi(closed, regexp_resolver: "ecma")
          closed["paths"].flat_map { |path, item| of_path(path, item, all) }.to_h
        end
    end

    # What a path with its {parameters} fits.
    def pattern(path) = /\A#{Regexp.escape(path).gsub(/\\\{\w+\\\}/, "[^/]+")}\z/

    private

    # Names of schemas that others are put together from: these stay open.
    def composed(tree)
      case tree
      when Hash
        own = tree.fetch("allOf", []).filter_map { |s| s["$ref"]&.split("/")&.last }
        own + tree.values.flat_map { |v| composed(v) }
      when Array
        tree.flat_map { |v| composed(v) }
      else
        []
      end
    end

    def close(tree, open, name = nil, part: false)
      return tree.map { |v| close(v, open, part: part) } if tree.is_a?(Array)
      return tree unless tree.is_a?(Hash)

      inner =
        tree.to_h do |key, value|
          [key, close(value, open, key, part: %w[allOf oneOf].include?(key))]
        end
      part || open.include?(name) || !described?(tree) ? inner : inner.merge(SHUT)
    end

    # Does it say which members an object has, and nothing of others?
    def described?(tree)
      ["object", %w[object null]].include?(tree["type"]) && tree.key?("properties") &&
        !tree.key?("additionalProperties")
    end

    def of_path(path, item, all)
      pattern = pattern(path)
      item
        .except("parameters")
        .map do |verb, operation|
          answers =
            operation["responses"].to_h do |status, given|
              at = given["$ref"] || pointer("paths", path, verb, "responses", status)
              [status, schema(at, all)]
            end
          [[verb.upcase, pattern], answers]
        end
    end

    # The schema of an answer, nil where it isn't JSON.
    def schema(at, all)
      return unless all.ref(at).value.dig("content", "application/json", "schema")

      all.ref("#{at}/#{escaped("content")}/#{escaped("application/json")}/schema")
    end

    def pointer(*parts) = "#/#{parts.map { |part| escaped(part) }.join("/")}"
    # RFC 6901 §3, within a URI fragment.
    def escaped(part)
      part.gsub("~", "~0").gsub("/", "~1").gsub("{", "%7B").gsub("}", "%7D")
    end
  end

  # Where an operation has done what it is for, a line with who has to stand in the journal.
  class Unwritten < StandardError
  end

  # Answers that change nothing: the first of two, nobody to sign out, the same as before.
  CHANGED_NOTHING = {
    "setUpFactor" => ->(said) { said.key?("otp_secret") },
    "setUpPasskey" => ->(said) { said.key?("webauthn_setup") },
    "signOut" => ->(_) { true },
    "secondFactorByPasskey" => ->(said) { said.key?("webauthn_auth") }
  }.freeze

  # journal: rows of it; contract: Web::Contract, where lines are looked for.
  def initialize(app, journal: nil, contract: nil)
    @app = app
    @journal = journal
    @contract = contract
  end

  def call(env)
    operation = @journal && operation_of(env)
    return described(env, @app.call(env)) if operation.nil? || operation.journal.empty?

    last = @journal.max(:seq).to_i
    answer = described(env, @app.call(env))
    written(operation, last, *answer) if answer.first.between?(200, 201)
    answer
  end

  private

  def described(env, answer)
    status, headers, body = answer
    return status, headers, body unless plain_json?(headers)

    text = body.to_enum.to_a.join
    check(env, status, text)
    [status, headers, [text]]
  end

  def written(operation, last, _status, _headers, body)
    silent = CHANGED_NOTHING[operation.id]
    return if silent&.call(JSON.parse(body.to_enum.to_a.join))

    lines = @journal.where { seq > last }.select_map(%i[type by])
    return if lines.any? { |type, by| operation.journal.include?(type) && by.to_s != "desk" }

    raise Unwritten, "#{operation.id}: no line of #{operation.journal.join(", ")} by anybody"
  end

  def operation_of(env)
    @patterns ||= @contract.operations.to_h { |o| [o, self.class.pattern(o.path)] }
    verb = env["REQUEST_METHOD"].downcase
    @patterns.find { |o, at| o.verb == verb && at.match?(env["PATH_INFO"]) }&.first
  end

  def plain_json?(headers)
    headers["content-type"].to_s.start_with?("application/json") && !headers["content-encoding"]
  end

  def check(env, status, text)
    asked = "#{env["REQUEST_METHOD"]} #{env["PATH_INFO"]}"
    answers = answers_to(env) or return
    schema = answers.fetch(status.to_s) { raise Undescribed, "#{asked}: no answer #{status}" }
    error = schema&.validate(JSON.parse(text))&.first or return
    raise Undescribed, "#{asked}: #{error["data_pointer"]} #{error["error"]}"
  end

  def answers_to(env)
    path = env["PATH_INFO"]
    self
      .class
      .operations
      .find { |(verb, at), _| verb == env["REQUEST_METHOD"] && at.match?(path) }
      &.last
  end
end
