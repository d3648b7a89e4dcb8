# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require "puma"
require "puma/server"

# What asks the outside is answered beside the requests, in lanes of bounded width.
class AsideTest < Minitest::Test
  include SignedIn

  NAME = "saltern-isles.example"
  ADA = Practice::DeskSide::Desk::EMAIL
  Jobs = SteadyMove::Desk::BackgroundJobs

  def jobs(patience: 0)
    errors = ->(e) { flunk(e.full_message) }
    Jobs.new(random: Random.new(7), on_error: errors, patience: patience)
  end

  def impatient
    @house = world.desk.application(log: SteadyMove::Web::Log.new(StringIO.new), patience: 0)
    @app = Described.new(house.rack)
    sign_in
  end

  # Asks where the answer will be until it is there.
  def sent_on(place = last_response.headers.fetch("location"))
    assert_equal [202, { "later" => place }], [last_response.status, answer]
    id = place.split("/").last
    assert house.jobs.wait(house.jobs.find(id, by: ADA), PATIENT).finished?
    get place
    [last_response.status, answer]
  end

  # Of one registrar that says nothing only its own three workers wait.
  def test_lanes_are_bounded
    lanes = jobs
    gate = Queue.new
    begun = Queue.new
    mute = 5.times.map { |n| lanes.start(by: "p#{n}", of: 1, lane: "mute") { begun << gate.pop } }
    other = lanes.start(by: "q", of: 1, lane: "other", patience: PATIENT) { :answered }
    assert_equal :answered, other.result
    3.times { gate << :go }
    3.times { begun.pop }
    2.times { gate << :go }
    mute.each { |job| assert_predicate lanes.wait(job, PATIENT), :finished? }
  end

  # Work without a lane has one of its own, of which nothing stays.
  def test_lanes_that_are_done_with_are_forgotten
    pools = SteadyMove::Desk::Engine::WorkerPools.new
    20.times { |n| pools.push("job #{n}", [n, :job]) { n } }
    pools.wait
    Thread.pass until Thread.list.none? { |thread| thread.name.to_s.start_with?("lane job") }
    kept = %i[@workers @queues].map { |kept| pools.instance_variable_get(kept) }
    assert_equal [{}, {}], kept
    pools.push("job 20", [20, :job]) { raise IOError, "cut off" }
    assert_raises(IOError, "kept for whoever waits, where nobody is told") { pools.wait }
  end

  def test_a_person_has_so_much_at_once_and_nobody_else_less
    lanes = jobs
    gate = Queue.new
    own = Array.new(Jobs::EACH) { lanes.start(by: "vera", of: 1, lane: "mute") { gate.pop } }
    error = assert_raises(SteadyMove::Desk::Refused) { lanes.start(by: "vera", of: 1) { 1 } }
    assert_equal :busy, error.kind
    assert_match(/busy with 8 things/, error.message)
    assert_equal 1, lanes.start(by: "ada", of: 1, patience: PATIENT) { 1 }.result
    own.size.times { gate << nil }
    own.each { |job| lanes.wait(job, PATIENT) }
    assert_equal 1, lanes.start(by: "vera", of: 1, patience: PATIENT) { 1 }.result
  end

  # So many requests wait for a quick end; whoever comes then doesn't.
  def test_only_so_many_requests_wait
    lanes = jobs(patience: PATIENT)
    gate = Queue.new
    job = lanes.start(by: "ada", of: 1, patience: 0) { gate.pop }
    waiting = Array.new(Jobs::WAITING) { Thread.new { lanes.wait(job, PATIENT) } }
    Thread.pass until waiting.all? { |thread| thread.status == "sleep" }
    refute_predicate lanes.wait(job, PATIENT), :finished?, "the ninth is sent on at once"
    gate << 1
    waiting.each(&:join)
  end

  def test_an_answer_that_comes_later_is_the_answer_itself
    impatient
    send_to("/api/names/#{NAME}/look")
    status, sheet = sent_on
    assert_equal [200, NAME], [status, sheet.dig("row", "name") || sheet["name"]]
    send_to("/api/names/nobody-has.example/look")
    status, problem = sent_on
    assert_equal [404, "Not found"], [status, problem["title"]]
    get "/api/later/none"
    assert_equal 404, last_response.status
  end

  def test_nobody_gets_the_answer_of_another
    impatient
    house.people.put("bo@saltern-office.example", "slack-water-mover", role: "mover")
    send_to("/api/names/#{NAME}/look")
    place = last_response.headers["location"]
    sent_on
    sign_out
    get place
    assert_equal 401, last_response.status
    sign_in("bo@saltern-office.example", "slack-water-mover")
    get place
    assert_equal 404, last_response.status
  end
end

# A registrar that takes connections and says nothing: whoever asks for its names is told where the
# answer will be, then that it is enough; the desk's own answers go on.
class MuteRegistrarTest < Minitest::Test
  include SignedIn

  def new_world = BenchWorld.new(timeout: 2)

  def test_forty_requests_keep_nobody_waiting
    world.link.fault("mute-tarnbeck", "on")
    @house = world.desk.application(log: SteadyMove::Web::Log.new(StringIO.new), patience: 0)
    @app = Described.new(house.rack)
    sign_in
    said = Array.new(40) { send_to("/api/names/#{AsideTest::NAME}/look") }
    most = AsideTest::Jobs::EACH
    assert_equal({ 202 => most, 429 => 40 - most }, said.tally)
    assert_match(/busy with #{most} things/, answer["detail"])
    %w[/healthz /api/desk /api/names].each do |path|
      get path
      assert_equal 200, last_response.status, path
    end
  end
end

# The command line, which asks a running desk.
class LaterOnTheCommandLineTest < Minitest::Test
  # A desk that says where its answer will be, below a path of its own (RFC 9110 §15.3.3).
  def test_the_command_line_fetches_what_comes_later
    asked = []
    answers = { "POST /desk/api/proposals" => [202, { later: "/desk/api/later/a1" }] }
    said = [
      [202, { later: "/desk/api/later/a1" }],
      [200, { name: AsideTest::NAME, startable: true }]
    ]
    app =
      lambda do |env|
        asked << "#{env["REQUEST_METHOD"]} #{env["PATH_INFO"]}"
        status, body = answers.fetch(asked.last) { said.shift }
        [status, { "content-type" => "application/json" }, [body.to_json]]
      end
    server = Puma::Server.new(app, nil, { min_threads: 1, max_threads: 1 })
    port = server.add_tcp_listener("127.0.0.1", 0).addr[1]
    server.run
    waited = 0
    env = {
      "STEADY_MOVE_DESK" => "http://127.0.0.1:#{port}/desk/",
      "STEADY_MOVE_TOKEN" => "steady-x"
    }
    desk =
      SteadyMove::Scripts::RunningDesk.new(
        { to: "orlop" },
        out: out = StringIO.new,
        env: env,
        wait: -> { waited += 1 }
      )
    assert_equal [0, 2], [desk.call("plan", [AsideTest::NAME]), waited]
    assert_equal AsideTest::NAME, JSON.parse(out.string)["name"]
    assert_equal ["POST /desk/api/proposals", *["GET /desk/api/later/a1"] * 2], asked
  ensure
    server&.stop(true)
  end
end
