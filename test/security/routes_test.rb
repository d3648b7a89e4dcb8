# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/some_people"

# Every route × who asks × in which state; every route × its headers; what breaks × how it is told.
class RoutesSecurityTest < Minitest::Test
  include SomePeople

  HEADERS = SteadyMove::Web::Application::HEADERS
  ROLES = SteadyMove::Desk::People::Directory::ROLES
  # Ends the session of whoever asks, or goes on without end.
  LEFT_OUT = %w[events signOut endSession endOtherSessions].freeze

  def operations = house.contract.operations.reject { |o| LEFT_OUT.include?(o.id) }

  def ask(operation)
    path = operation.path.gsub(/\{\w+\}/, "1")
    operation.verb == "get" ? get(path) : post(path, "{}")
    last_response
  end

  # Who asks => whether an operation that is not for everybody is answered (else: the status of the
  # refusal).
  STATES = {
    "nobody" => :take_token.to_proc,
    "half way" => :half_way.to_proc,
    "an ended session" => ->(t) { t.sign_in && t.db[:sessions].delete },
    "a removed person" =>
      lambda do |t|
        t.db[:account_otp_keys].delete
        t.sign_in(MO, MOS)
        t.people.remove(t.id_of(MO), by: ADA)
      end
  }.freeze

  def half_way
    mo("administrator")
    db[:account_otp_keys].insert(id: id_of(MO), key: "A" * 32)
    sign_in(MO, MOS)
  end

  def test_whoever_is_not_signed_in_is_answered_nothing
    STATES.each do |who, act|
      clear_cookies
      act.call(self)
      operations
        .reject { |o| o.open || o.sign_in }
        .each do |operation|
          status = ask(operation).status
          assert_includes [401, 403], status, "#{who}: #{operation.id}"
          refute_includes last_response.body, "saltern-isles", "#{who}: #{operation.id}"
        end
    end
  end

  # Every role: what is above it is refused with 403, what is its own never is.
  def test_each_role_may_do_what_the_contract_says
    ROLES.each do |role|
      people.put("#{role}@y.example", "three grey #{role}s", role: role)
      clear_cookies
      sign_in("#{role}@y.example", "three grey #{role}s")
      operations
        .reject { |o| o.open || o.sign_in || o.id == "moveClock" }
        .each do |operation|
          allowed =
            operation.role.nil? || SteadyMove::Desk::People::Directory.may?(role, operation.role)
          assert_equal !allowed,
                       ask(operation).status == 403,
                       "#{role}: #{operation.id}: #{last_response.body[0, 200]}"
        end
      assert_equal house.contract.allowed(role).sort, (get("/api/session") && answer["may"].sort)
    end
  end

  PATHS = %w[
    /
    /names
    /api/session
    /api/names
    /api/nothing
    /assets/nothing.js
    /healthz
    /mark.svg
    /%ff
    /api/names/%00
    /api/moves/99999999999999999999
    /api/names?limit=%ff
  ].freeze

  def test_every_answer_has_the_headers
    [false, true].each do |signed_in|
      signed_in ? sign_in : clear_cookies
      PATHS.each do |path|
        get path
        lacking = HEADERS.reject { |name, value| last_response.headers[name] == value }
        assert_empty lacking, path
        assert_match(/\A\h{12}\z/, last_response.headers["x-request-id"], path)
        refute_match(/\.rb:\d/, last_response.body, path)
      end
    end
  end

  # What breaks => the status and part of the sentence; always a problem document, in the log,
  # without a backtrace.
  BROKEN = {
    RuntimeError.new("nobody foresaw this") => [500, "written to the log"],
    Sequel::DatabaseError
      .new("SQLite3::Exception")
      .tap { |e| e.wrapped_exception = SQLite3::FullException.new("full") } => [
      503,
      "disk is full"
    ],
    Sequel::DatabaseError
      .new("x")
      .tap { |e| e.wrapped_exception = SQLite3::CorruptException.new("x") } => [503, "damaged"],
    Errno::ENOSPC.new => [503, "disk is full"],
    "a middleware" => [500, "written to the log"]
  }.freeze

  def test_what_breaks_is_told_in_one_sentence
    sign_in
    BROKEN.each do |error, (status, says)|
      breaking(error) { get "/api/names" }
      assert_equal [status, "application/problem+json"],
                   [last_response.status, last_response.media_type],
                   error
      assert_includes answer["detail"], says
      refute_match(/\.rb:\d|nobody foresaw/, last_response.body)
      assert_equal HEADERS.values, last_response.headers.values_at(*HEADERS.keys)
      assert(@log.string.lines.last(3).any? { |l| JSON.parse(l)["status"] == status })
    end
  end

  def breaking(error, &)
    return house.lists.stub(:fetch, ->(*) { raise error }, &) if error.is_a?(Exception)

    world.app.db.stub(:synchronize, ->(*) { raise KeyError, "a pool breaks" }, &)
  end

  # Where not even the log can be written, the answer is the same.
  def test_a_log_that_can_not_be_written
    sign_in
    @log.define_singleton_method(:write) { |*| raise Errno::ENOSPC }
    breaking(RuntimeError.new("nobody foresaw this")) { get "/api/names" }
    assert_equal [500, "application/problem+json"], [last_response.status, last_response.media_type]
    assert_equal 200, get("/api/session").status
  end

  # What is stored is bound to the whole text: a line break in front of, or behind, something
  # harmless is no way in.
  ANCHORED = {
    "/api/accounts" => [
      { title: "X", registrar: "X", kind: "by_hand", site: "javascript:x\nhttps://x.example/" },
      { title: "X", registrar: "X", kind: "by_hand", support: "a@b.example\n<script>" }
    ],
    "/api/people" => [
      { email: "a@b.example\nx", role: "viewer" },
      { email: "a@b.example", role: "viewer\nadministrator" }
    ],
    "/api/settings" => [
      { key: "rdap_bases", value: { "example" => "javascript:x\nhttp://x" } },
      { key: "dns_servers", value: { "ns1.x" => "x\n127.0.0.1:53" } }
    ],
    "/api/rulebook/overrides" => [
      { suffix: "example\nx", key: "code", value: "none", source: "x", date: "2027-01-01" }
    ]
  }.freeze

  def test_patterns_hold_for_the_whole_text
    sign_in
    ANCHORED.each do |path, bodies|
      bodies.each do |body|
        assert_equal 422, send_to(path, **body), "#{path} #{body}: #{last_response.body}"
      end
    end
  end
end
