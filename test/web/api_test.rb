# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/signed_in"
require "rack/test"
require "stringio"

class ApiTest < Minitest::Test
  include Rack::Test::Methods

  attr_reader :app

  def setup
    @world = BenchWorld.new
    @house =
      @world.desk.application(
        log: SteadyMove::Web::Log.new(@log = StringIO.new),
        patience: SignedIn::PATIENT
      )
    @app = @house.rack
    @house.people.put("vera@saltern-office.example", "low-tide-viewer", role: "viewer")
  end

  def teardown = @world.close

  def document = @document ||= JSON.parse(get("/api/openapi.json").body)
  def answer = JSON.parse(last_response.body)

  # Each [verb, path, operation] of the document, with parameters filled in.
  FILLED = {
    "{name}" => "saltern-isles.example",
    "{id}" => "1",
    "{job}" => "abc",
    "{kind}" => "move",
    "{ref}" => "1"
  }.freeze

  def operations
    document["paths"].flat_map do |path, item|
      item
        .slice("get", "post")
        .map do |verb, op|
          [
            verb,
            path.gsub(/\{\w+\}/, FILLED),
            op.merge("parameters" => [*item["parameters"], *op["parameters"]])
          ]
        end
    end
  end

  def guarded = operations.reject { |_, _, op| op["security"] == [] }

  def schema_of(op)
    (ref = op.dig("requestBody", "content", "application/json", "schema", "$ref")) &&
      document.dig(*ref.delete_prefix("#/").split("/"))
  end

  def sign_in(
    email = Practice::DeskSide::Desk::EMAIL,
    password = Practice::DeskSide::Desk::PASSWORD
  )
    2.times do
      get "/api/session"
      header "X-CSRF-Token", answer["csrf"]
      header "Content-Type", "application/json"
      post "/api/sign-in", { email: email, password: password }.to_json unless answer["signed_in"]
    end
    post "/api/me/confirm", { password: password }.to_json
  end

  def ask(verb, path, body = "{}")
    public_send(verb, path, verb == "post" ? body : {}).then { last_response.status }
  end

  # A general validator for OpenAPI 3.1 documents: json_schemer with the OpenAPI Initiative's own
  # schema.
  def test_the_document_is_valid
    assert_empty JSONSchemer.openapi(document).validate.map { |e| e["error"] }.first(3)
    assert_equal "3.1.0", document["openapi"]
  end

  def test_signed_out_nothing_is_told
    refute_empty guarded
    get "/api/session"
    header "X-CSRF-Token", answer["csrf"]
    header "Content-Type", "application/json"
    guarded.each do |verb, path, _|
      assert_equal [401, "Sign in first."], [ask(verb, path), answer["detail"]], "#{verb} #{path}"
    end
  end

  def test_without_the_token_nothing_is_changed
    sign_in
    header "X-CSRF-Token", "wrong"
    operations
      .select { |verb, path, _| verb == "post" && path != "/api/sign-out" }
      .each do |verb, path, _|
        assert_equal [403, "application/problem+json"],
                     [ask(verb, path), last_response.media_type],
                     path
      end
  end

  # Every operation that the document keeps for a role, asked by each lesser role.
  def test_lesser_roles_are_refused
    roles = SteadyMove::Desk::People::Directory::ROLES
    roles
      .first(3)
      .each_with_index do |role, i|
        @house.people.put("#{role}@saltern-office.example", "low-tide-#{role}", role: role)
        clear_cookies
        sign_in("#{role}@saltern-office.example", "low-tide-#{role}")
        kept, free = guarded.partition { |_, _, op| roles.index(op["x-role"]).to_i > i }
        refute_empty kept
        kept.each do |verb, path, _|
          assert_equal(
            [403, true],
            [ask(verb, path), answer["detail"].include?("“#{role}”")],
            "#{role}: #{verb} #{path}"
          )
        end
        free
          .reject { |_, path, _| path.match?(%r{\A/api/(events|me/sessions/1)}) }
          .each { |verb, path, _| refute_equal 403, ask(verb, path), "#{role}: #{verb} #{path}" }
      end
    changing =
      guarded.select { |verb, _, op| verb == "post" && op["x-role"].nil? }.map { |_, path, _| path }
    assert_equal %w[
                   /api/batches/1/rehearse
                   /api/batches/1/review
                   /api/compare
                   /api/filters
                   /api/me/calendar
                   /api/me/calendar/end
                   /api/me/confirm
                   /api/me/notices
                   /api/me/password
                   /api/me/sessions/1/end
                   /api/me/sessions/end-others
                   /api/me/tokens
                   /api/me/tokens/1/end
                   /api/me/views
                   /api/names/pick
                   /api/proposals
                   /api/records/saltern-isles.example/plan
                   /api/recovery-codes
                   /api/rulebook/preview
                   /api/sign-out
                 ],
                 (changing + ["/api/sign-out"]).uniq.sort,
                 "what a viewer may send"
  end

  # Each member of each body with a wrong type, each parameter with a wrong value: 422 and the name
  # of what is wrong.
  def test_wrong_types_are_refused
    sign_in
    operations.each do |verb, path, op|
      (schema_of(op) || {})
        .fetch("properties", {})
        .each_key do |member|
          next if path.match?(%r{/api/(sign-|second-factor|passkeys)})

          whole = schema_of(op).fetch("required", []).to_h { |m| [m, "x"] }
          assert_equal [422, true],
                       [
                         ask(verb, path, whole.merge(member => { "a" => [[]] }).to_json),
                         answer.key?("detail")
                       ],
                       "#{path} #{member}"
        end
    end
    %w[
      /api/moves/one
      /api/names?offset=-1
      /api/names?gate=open
      /api/names?limit=many
      /api/names?within=x
      /api/names?sort=colour
      /api/names?at=yesterday
      /api/names.csv?group=x
      /api/names?to=nowhere
    ].each { |path| assert_equal 422, ask("get", path), path }
  end

  # path, body => status and a part of the sentence
  BAD = [
    ["/api/moves", "{", 422, "not JSON"],
    ["/api/moves", "[]", 422, "is not an object"],
    ["/api/moves", "{\"to\":\"orlop\"}", 422, "name"],
    ["/api/moves", "{\"name\":1,\"to\":\"orlop\"}", 422, "name: is not a string"],
    ["/api/moves", "{\"name\":\"nobody.example\",\"to\":\"orlop\"}", 404, "no such name"],
    ["/api/moves", "{\"name\":\"kelpquay.example\",\"to\":\"orlop\"}", 409, "within 60 days"],
    ["/api/proposals", "{\"name\":\"kelpquay.example\",\"to\":\"x\"}", 422, "no such name"],
    ["/api/moves/99/approve", "{}", 404, "no move number 99"],
    ["/api/moves/1/burn", "{}", 404, "nothing at"],
    ["/api/practice/clock", "{\"seconds\":-5}", 422, "seconds"],
    ["/api/names", "{\"account\":\"none\",\"text\":\"x\"}", 422, "no account"]
  ].freeze

  def test_bad_input_is_told_what_is_wrong
    sign_in
    BAD.each do |path, body, status, says|
      post path, body
      assert_equal [status, "application/problem+json"],
                   [last_response.status, last_response.media_type],
                   "#{path} #{body}: #{last_response.body}"
      assert_includes answer["detail"], says
    end
    %w[at=yesterday gate=ready%0Aanything sort=x%0Aname].each do |asked|
      assert_equal 422, get("/api/names?#{asked}").status, asked
    end
    get "/api/names/nobody.example"
    assert_equal 404, last_response.status
  end

  # What is no text, or no number that JSON holds: method, path, body => a part of what is told
  NO_TEXT = [
    [
      "post",
      "/api/names",
      "{\"text\":\"a\xFF.example\",\"account\":\"tarnbeck\"}",
      "The request holds octets"
    ],
    ["post", "/api/names", '{"text":"a\u0000.example","account":"tarnbeck"}', "text holds octets"],
    ["post", "/api/accounts/orlop", '{"habits":{"support\u0000":"x"}}', "habits.support"],
    [
      "post",
      "/api/accounts/orlop",
      '{"sender_domains":["a.example","b\u0000"]}',
      "sender_domains.1 holds octets"
    ],
    [
      "post",
      "/api/accounts/orlop",
      '{"prices":{"renew":99999999999999999999}}',
      "prices.renew is larger"
    ],
    ["post", "/api/sign-in", "[1]", "not an object"],
    ["post", "/api/sign-in", "7", "not an object"],
    ["post", "/api/sign-in", "\xFF", "The request holds octets"],
    ["post", "/api/sign-in", '{"email":"a","password":"x\u0000"}', "password holds octets"],
    ["get", "/api/names?q=%ff", nil, "q holds octets"],
    ["get", "/api/names?q=%00", nil, "q holds octets"],
    ["get", "/api/names/%ff", nil, "name holds octets"],
    ["get", "/api/moves/99999999999999999999999", nil, "id"],
    ["get", "/api/names?offset=99999999999999999999999", nil, "offset is larger"]
  ].freeze

  def test_what_is_no_text
    sign_in
    NO_TEXT.each do |verb, path, body, told|
      body ? post(path, body.b) : get(path)
      assert_equal 422, last_response.status, [verb, path, body].inspect
      assert_includes answer["detail"], told
    end
  end

  def test_answers_are_as_the_document_says
    sign_in
    @world.start("isles-timetable.example", to: "orlop")
    @world.runner.pass
    @world.driver.move_on
    schemer = JSONSchemer.openapi(document)
    guarded.each do |verb, path, op|
      next if verb == "post" || path == "/api/events" || path.start_with?("/api/batch")

      get(path.sub("accounts/1", "accounts/orlop"))
      ref =
        (to = op.dig("responses", "200", "$ref")) &&
          document.dig(*to.delete_prefix("#/").split("/")) or next
      name = ref.dig("content", "application/json", "schema", "$ref")&.split("/")&.last or next
      errors = schemer.schema(name).validate(answer).map { |e| e["error"] }
      assert_empty errors.first(3), path
    end
  end

  # Every line's fate, and nothing good lost beside the bad.
  def test_names_are_taken_in_line_by_line
    sign_in
    post "/api/names",
         {
           account: "orlop",
           text: "https://WWW.harbourpass.example/x, -bad-.example\nunheard-of.example"
         }.to_json
    assert_equal [2, 1, 1], answer.values_at("of", "added", "updated")
    path = "/api/imports/#{answer["id"]}"
    200.times { get path unless answer["finished"] }
    assert_match(/does not exist/, answer["refused"].first["says"])
    post "#{path}/undo", "{}"
    assert answer["undone_at"]
  end

  def test_headers_and_log
    sign_in
    get "/"
    policy = last_response.headers["content-security-policy"]
    refute_includes policy, "unsafe"
    assert_includes policy, "default-src 'none'"
    cookie = last_response.headers["set-cookie"] || rack_mock_session.cookie_jar.to_s
    refute_nil cookie
    refute_includes @log.string, "harbour-light-27"
    assert(@log.string.lines.all? { |l| JSON.parse(l)["id"] })
  end

  def test_the_journal_tells_whose_word_it_was
    sign_in
    post "/api/moves", { name: "isles-timetable.example", to: "orlop" }.to_json
    get "/api/moves/#{answer["id"]}"
    assert_equal Practice::DeskSide::Desk::EMAIL, answer["events"].last["by"]
  end
end
