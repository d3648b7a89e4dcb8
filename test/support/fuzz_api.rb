# frozen_string_literal: true

require "rack/mock"
require_relative "bench_world"
require_relative "signed_in"
require_relative "fuzz"

# Every operation of the contract with changed parameters and bodies, with members and parameters
# left out that are needed, and as other types of content: no answer is a 500, neither at once nor
# of the work that goes on behind; each has the headers, each refusal is a problem document.
class FuzzApi
  HEADERS = SteadyMove::Web::Application::HEADERS.keys.freeze
  WORDS = [
    "",
    "x",
    "tide.example",
    "saltern-isles.example",
    "orlop",
    "tarnbeck",
    "1",
    "-1",
    "0",
    "2027-03-01T08:00:00Z",
    "a@b.example",
    "\u{202E}",
    "a\0b",
    "\xFF",
    "é",
    "x" * 3000,
    "' OR 1=1 --",
    "<script>",
    "javascript:\nx",
    "../..",
    "%",
    "%zz",
    "9" * 30,
    "1e9",
    "null"
  ].freeze
  # What a body is said to be; mostly what it is.
  TYPES = [
    *Array.new(12, "application/json"),
    "application/json; charset=utf-16",
    "text/plain",
    "message/rfc822",
    "application/x-www-form-urlencoded",
    "multipart/form-data; boundary=x",
    "application/xml",
    "x",
    ""
  ].freeze
  PASSWORD = "three grey herons"
  # One in so many bodies lacks something that is needed.
  LACKING = 6
  # Where work that goes on behind is asked for, by what is begun with.
  BEHIND = {
    "lookAgain" => "/api/looks",
    "reviewBatch" => "/api/batch-work",
    "rehearseBatch" => "/api/batch-work",
    "startBatch" => "/api/batch-work"
  }.freeze
  # Those that end everything for all that comes after, or wait for the outside.
  LEFT_OUT = %w[events signOut moveClock].freeze

  def initialize(random, fuzz)
    @random = random
    @fuzz = fuzz
    @world = BenchWorld.new(timeout: 1)
    @house =
      @world.desk.application(
        log: SteadyMove::Web::Log.new(@log = StringIO.new),
        patience: SignedIn::PATIENT
      )
    @app = @house.rack
    @operations = @house.contract.operations.reject { |o| LEFT_OUT.include?(o.id) }
    @schemas = JSON.parse(@house.contract.json).dig("components", "schemas")
    2.times { |i| @world.start(%w[isles-timetable.example harbourpass.example][i], to: "orlop") }
    sign_in
  end

  # Asks until the block says that it is enough.
  def run
    until yield
      operation = @operations.sample(random: @random)
      path = operation.path.gsub(/\{\w+\}/) { escape(word) } + query(operation)
      @fuzz.try(
        "#{operation.verb} #{operation.path}",
        "#{path} #{type = TYPES.sample(random: @random)} #{body = body(operation)}"
      ) do |input|
        answer = ask(operation.verb, path, body, type)
        judge(answer, operation, input)
        behind(answer, operation, input)
      end
    end
  ensure
    @world.close
  end

  private

  def word = WORDS.sample(random: @random)
  def escape(text) = URI.encode_www_form_component(text).then { |t| t.empty? ? "-" : t }

  def query(operation)
    names = operation.parameters.keys.sample(2, random: @random)
    names.empty? ? "" : "?#{names.map { |n| "#{n}=#{escape(word)}" }.join("&")}"
  end

  def body(operation)
    return if operation.verb == "get"

    text =
      begin
        JSON.generate(example(schema_of(operation) || {}))
      rescue StandardError
        "{}"
      end
    @random.rand(3).zero? ? @fuzz.changed(text) : text
  end

  def schema_of(operation)
    item = JSON.parse(@house.contract.json).dig("paths", operation.path, operation.verb)
    item.dig("requestBody", "content", "application/json", "schema")
  end

  # Something that fits a schema more or less.
  def example(schema, depth = 0)
    return nil if depth > 6
    return example(@schemas[schema["$ref"].split("/").last], depth + 1) if schema["$ref"]

    case Array(schema["type"]).sample(random: @random)
    when "object"
      object(schema, depth)
    when "array"
      Array.new(@random.rand(3)) { example(schema["items"] || {}, depth + 1) }
    when "integer"
      [0, 1, -1, 2**53, 2**70].sample(random: @random)
    when "boolean"
      @random.rand(2).zero?
    when "null"
      nil
    else
      (schema["enum"] || WORDS).sample(random: @random).to_s.scrub
    end
  end

  def object(schema, depth)
    known =
      schema
        .fetch("properties", {})
        .select { |k, _| schema["required"].to_a.include?(k) || @random.rand(2).zero? }
    known = known.except(known.keys.sample(random: @random)) if @random.rand(LACKING).zero?
    known = { word.scrub => { "type" => "string" } } if known.empty?
    known.transform_values { |s| example(s, depth + 1) }
  end

  # Work that goes on behind is followed to its end, and judged like an answer.
  def behind(answer, operation, input)
    place = BEHIND[operation.id] or return
    return unless answer.status == 202

    id = JSON.parse(answer.body).fetch("job")
    job = @house.jobs.find(id, by: @email) or return
    @house.jobs.wait(job, SignedIn::PATIENT)
    judge(ask("get", "#{place}/#{id}", nil), operation, input)
  end

  def ask(verb, path, body, type = "application/json")
    env = {
      "HTTP_COOKIE" => @cookie,
      "HTTP_X_CSRF_TOKEN" => @token,
      "CONTENT_TYPE" => type,
      :input => body.to_s,
      :method => verb.upcase
    }
    Rack::MockRequest.new(@app).request(verb.upcase, path, env)
  end

  def judge(answer, operation, input)
    sign_in if answer.status == 401 && operation.id != "signIn"
    what = "#{operation.verb} #{operation.path}"
    if answer.status >= 500 && answer.status != 503
      @fuzz.report(what, input, "answers #{answer.status}")
    end
    lacking = HEADERS - answer.headers.keys.map(&:downcase)
    @fuzz.report(what, input, "lacks #{lacking}") if lacking.any?
    return if answer.status < 400

    @fuzz.report(what, input, "refuses without a problem document") unless problem?(answer)
    @fuzz.report(what, input, "shows a backtrace") if answer.body.match?(/\.rb:\d+/)
  end

  def problem?(answer)
    answer.content_type.to_s.start_with?("application/problem+json") &&
      JSON.parse(answer.body).key?("detail")
  rescue JSON::ParserError
    false
  end

  # A session from within, as often as one is wanted.
  def sign_in
    @house.people.put(@email = "f#{SecureRandom.hex(4)}@y.example", PASSWORD, role: "administrator")
    start = Rack::MockRequest.new(@app).get("/api/session")
    @cookie = cookie(start)
    @token = JSON.parse(start.body)["csrf"]
    answer = ask("post", "/api/sign-in", JSON.generate(email: @email, password: PASSWORD))
    @cookie = cookie(answer)
    @token = JSON.parse(ask("get", "/api/session", nil).body)["csrf"]
    ask("post", "/api/me/confirm", JSON.generate(password: PASSWORD))
  end

  def cookie(answer) = Array(answer.headers["set-cookie"]).join("\n")[/steady_move=[^;]+/]
end
