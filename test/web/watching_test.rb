# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# How the desk says how it is: /readyz, /metrics, the log, Status, and alerts that go out by
# themselves.
class WatchingTest < Minitest::Test
  include SignedIn

  TOKEN = "a-token-of-some-length"
  Alerts = SteadyMove::Desk::Operations::Alerts

  def configure(**settings)
    settings.each { |key, value| world.app.config.instance_variable_set("@#{key}", value) }
  end

  def figures
    header "Authorization", "Bearer #{TOKEN}"
    get("/metrics")
      .body
      .lines
      .reject { |l| l.start_with?("#") }
      .to_h { |l| l.split(/ (?=\S+$)/).then { |a, b| [a, b.to_f] } }
  end

  def log = @log.string.lines.map { |l| JSON.parse(l) }
  def alerts = Alerts.new(world.app, world.runner)

  def test_figures_stand_behind_a_token
    assert_equal [404, 401],
                 [
                   get("/metrics").status,
                   configure(metrics: { "token" => TOKEN }) && get("/metrics").status
                 ]
    world.start("isles-timetable.example", to: "orlop")
    world.link.fault("away-tarnbeck", "on")
    world.runner.pass
    get "/api/names"
    found = figures
    assert_equal 1,
                 found['steady_move_requests_total{status="401"}'] / 2,
                 "the metrics' own and the names'"
    assert_equal [0, 1],
                 [
                   found['steady_move_connection_up{connection="tarnbeck"}'],
                   found["steady_move_moves_open"]
                 ]
    assert_operator found['steady_move_steps{outcome="problem"}'], :>=, 1
    assert_operator found["steady_move_resident_memory_bytes"], :>, 20_000_000
    assert_equal 1, found['steady_move_check_well{check="database"}']
    refute_match(
      /isles-timetable|ada@/,
      last_response.body,
      "no name and no person stands in figures"
    )
  end

  def test_what_is_kept_of_connections_outlives_a_restart
    world.runner.pass
    well = world.app.heard["tarnbeck"].well_at
    world.link.fault("away-tarnbeck", "on")
    world.driver.move_on(to: world.app.now + 1800)
    told =
      SteadyMove::Desk::Common::LastHeard.new(SteadyMove::Store::SystemState.new(world.app.db))[
        "tarnbeck"
      ]
    assert_equal [false, well], [told.well, told.well_at]
    assert_operator told.failing_since, :>, well
    assert_match(/^connection: \d+ of \d+ well, one not since 2027-/, get("/readyz").body)
    assert_equal 200, last_response.status, "a registrar that is away is not the desk's own trouble"
    sign_in
    get "/api/status"
    gone = answer["connections"].find { |c| c["title"] == "Tarnbeck Names" }
    assert_equal [false, well.iso8601], gone.values_at("well", "well_at")
  end

  def test_what_the_desk_can_not_do_without_makes_it_not_ready
    assert_equal 200, get("/readyz").status
    configure(data: world.folder)
    assert_equal 503, get("/readyz").status
    assert_match(/\Anot ready\n.*key: .* can't be read/m, last_response.body)
  end

  # A lane whose work hangs: it is named with what waits behind it, in the log, on Status and in the
  # figures.
  def test_a_stuck_connection_and_what_it_starves
    configure(metrics: { "token" => TOKEN })
    stuck = [
      SteadyMove::Desk::Engine.const_get(:WorkerPools)::Stuck.new(
        lane: "account tarnbeck",
        seconds: 50,
        waiting: 3
      )
    ]
    world
      .runner
      .stub(:stuck, stuck) do
        assert_equal 0, world.runner.alerts.tell, "nobody is set to be told"
        assert_equal 50, figures['steady_move_lane_stuck_seconds{lane="account tarnbeck"}']
        header "Authorization", nil
        sign_in
        get "/api/status"
        assert_includes answer["checks"].map { |c| c["says"] }.join, "50 s; 3 tasks wait behind it"
      end
    world.runner.alerts.tell
    said = log.filter_map { |l| l["says"] }
    assert_includes said.join, "Tarnbeck Names has not answered for 50 s; 3 tasks wait behind it."
    assert_includes said.last, "this is over"
  end

  def test_lanes_say_what_hangs
    gate = Queue.new
    lanes = SteadyMove::Desk::Engine.const_get(:WorkerPools).new
    4.times { |i| lanes.push("slow", [i, :x]) { gate.pop } }
    lanes.push("quick", [9, :x]) { nil }
    Timeout.timeout(5) do
      Thread.pass until lanes.stuck(0).first&.waiting == 1 && lanes.busy == { "slow" => 4 }
    end
    assert_equal([["slow", 1]], lanes.stuck(0).map { |s| [s.lane, s.waiting] })
    assert_empty lanes.stuck(60)
    4.times { gate << 1 }
    lanes.wait(5)
    assert_empty lanes.stuck(0)
  end

  def told(list) = list.map(&:says).join(" | ")

  # A connection that fails, work that is overdue, a deadline that comes near: told once, and again
  # after a day.
  # Whether anybody would be told: a trial by each way that is set, and Status says where none is.
  def test_a_trial_of_the_alerts
    assert_empty alerts.try
    sign_in
    said = -> { get("/api/status").then { answer["checks"].find { |c| c["title"] == "Alerts" } } }
    nobody = said.call
    assert_nil nobody["well"]
    assert_match(/\ANobody is told/, nobody["says"])
    configure(alerts: { "to" => ["watch@saltern-office.example"] })
    assert_equal({ "mail" => nil }, alerts.try)
    assert_equal [true, "Alerts go out by email."], said.call.values_at("well", "says")
    broken = ->(*, **) { raise SteadyMove::Wire::Unreachable, "no answer" }
    world.app.sender.stub(:deliver, broken) { assert_equal({ "mail" => "no answer" }, alerts.try) }
  end

  def test_alerts
    world.start("isles-timetable.example", to: "orlop")
    configure(
      alerts: {
        "to" => ["watch@saltern-office.example"],
        "deadline" => 5 * 86_400,
        "connection" => 3600
      }
    )
    sent = []
    world
      .app
      .sender
      .stub(:deliver, ->(text, to:) { sent << [text, to] }) do
        watch = alerts
        world.until_true(what: "the release") { world.app.moves.open.first.state.deadline }
        assert_match(/isles-timetable.example: Approve the release .* until/, told(watch.standing))
        world.link.fault("away-orlop", "on")
        world.driver.move_on(to: world.app.now + 1800)
        refute_includes told(watch.standing), "Orlop", "not for an hour yet"
        world.driver.move_on(to: world.app.now + 5400)
        assert_includes told(watch.standing), "Orlop Domain Desk: "
        watch.tell
        count = sent.size
        assert_equal 0, watch.tell, "each is told once"
        assert_operator count, :>=, 2
        text, to = sent.last
        assert_equal ["watch@saltern-office.example"], to
        assert_includes text, "Auto-Submitted: auto-generated"
      end
  end

  # By a webhook, signed as RFC 9421 has it, so that whoever gets it can tell that it is ours.
  def test_an_alert_by_a_signed_webhook
    configure(
      alerts: {
        "webhook" => "https://watch.example/steady",
        "secret" => "a-secret-of-some-length"
      }
    )
    stuck = [
      SteadyMove::Desk::Engine.const_get(:WorkerPools)::Stuck.new(
        lane: "account tarnbeck",
        seconds: 50,
        waiting: 0
      )
    ]
    posted = []
    SteadyMove::Wire::Http::Hook.stub(:post, ->(*given) { (posted << given) && 204 }) do
      world.runner.stub(:stuck, stuck) { assert_equal 1, alerts.tell }
    end
    url, body, headers = posted.first
    assert_equal [
                   "https://watch.example/steady",
                   "Tarnbeck Names: Tarnbeck Names has not answered for 50 s."
                 ],
                 [url, JSON.parse(body)["alerts"].first["says"]]
    expected =
      SteadyMove::Wire::Http::Signature.headers(
        url,
        body,
        secret: "a-secret-of-some-length",
        created: world.app.now,
        key_id: "alerts"
      )
    assert_equal expected, headers
    SteadyMove::Wire::Http::Hook.stub(:post, 500) do
      world
        .runner
        .stub(:stuck, [stuck.first.dup.tap { |s| s.lane = "account orlop" }]) do
          assert_equal 0, alerts.tell
        end
    end
  end

  def test_an_alert_that_can_not_be_sent_is_sent_later
    configure(alerts: { "to" => ["watch@saltern-office.example"] })
    world.app.system_state["heard.orlop"] = {
      "at" => 0,
      "well" => false,
      "says" => "away",
      "failing_since" => 0
    }
    world.app.instance_variable_set(
      :@heard,
      SteadyMove::Desk::Common::LastHeard.new(world.app.system_state)
    )
    watch = alerts
    refuse = ->(*, **) { raise SteadyMove::Wire::Unreachable, "no mail today" }
    world.app.sender.stub(:deliver, refuse) { assert_equal 0, watch.tell }
    sent = 0
    world
      .app
      .sender
      .stub(:deliver, ->(*, **) { sent += 1 }) do
        assert_equal [0, 0], [watch.tell, sent], "not at once again"
        world.driver.move_on(to: world.app.now + 300)
        2.times { watch.tell }
      end
    assert_equal 1, sent
  end

  # Of two ways to be told, the one that works tells once, whatever becomes of the other.
  def test_a_way_that_fails_does_not_repeat_the_other
    configure(
      alerts: {
        "to" => ["watch@saltern-office.example"],
        "webhook" => "https://watch.example/",
        "secret" => "x"
      }
    )
    stuck = [
      SteadyMove::Desk::Engine.const_get(:WorkerPools)::Stuck.new(
        lane: "account tarnbeck",
        seconds: 50,
        waiting: 0
      )
    ]
    mails = 0
    posts = []
    watch = alerts
    world
      .runner
      .stub(:stuck, stuck) do
        world
          .app
          .sender
          .stub(:deliver, ->(*, **) { mails += 1 }) do
            SteadyMove::Wire::Http::Hook.stub(:post, 503) { 3.times { watch.tell } }
            world.driver.move_on(to: world.app.now + 400)
            SteadyMove::Wire::Http::Hook.stub(:post, ->(*given) { (posts << given) && 200 }) do
              2.times { watch.tell }
            end
          end
      end
    assert_equal [1, 1], [mails, posts.size]
  end

  def test_who_can_not_be_written_to_is_told_in_the_log
    configure(alerts: { "to" => ["watch@saltern-office.example"] })
    stuck = [
      SteadyMove::Desk::Engine.const_get(:WorkerPools)::Stuck.new(
        lane: "account tarnbeck",
        seconds: 50,
        waiting: 0
      )
    ]
    world.app.instance_variable_set(:@sender, nil)
    world.runner.stub(:stuck, stuck) { assert_equal 0, world.runner.alerts.tell }
    assert_includes @log.string, "no mail server is set"
  end

  def test_a_backup_that_fails_or_is_not_made
    configure(
      backup: {
        "folder" => "/x",
        "every" => 3600
      },
      alerts: {
        "to" => ["watch@saltern-office.example"]
      }
    )
    watch = alerts
    now = SteadyMove::Desk::SystemClock.new.now.to_i
    {
      [now, false, "no room"] => "no room",
      [now - 9000, true, "made"] => "hours ago",
      [now, true, "made"] => nil
    }.each do |(at, well, says), expected|
      world.app.system_state["backup"] = { "at" => at, "well" => well, "says" => says }
      found = told(watch.standing)
      expected ? assert_includes(found, expected) : assert_empty(found)
    end
  end

  def test_sign_ins_and_lock_outs_stand_in_the_log
    7.times { sign_in(Practice::DeskSide::Desk::EMAIL, "not-the-word-27") }
    lines = log.select { |l| l["event"] }
    assert_equal(%w[sign-in slowed], lines.map { |l| l["event"] }.uniq)
    whole =
      lines.select { |l| l["id"] && l["client"] && l["person"] == Practice::DeskSide::Desk::EMAIL }
    assert_equal lines, whole
    refute_includes @log.string, "not-the-word"
  end

  # X-Forwarded-For, who connects, who is trusted => where it came from
  WAYS = [
    ["203.0.113.9", "127.0.0.1", %w[127.0.0.1], "203.0.113.9"],
    ["198.51.100.7, 203.0.113.9", "127.0.0.1", %w[127.0.0.1], "203.0.113.9"],
    ["198.51.100.7, 10.0.0.5", "127.0.0.1", %w[127.0.0.1], "10.0.0.5"],
    ["198.51.100.7, 10.0.0.5", "127.0.0.1", %w[127.0.0.1 10.0.0.0/8], "198.51.100.7"],
    ["198.51.100.7", "192.0.2.4", %w[127.0.0.1], "192.0.2.4"],
    [nil, "127.0.0.1", %w[127.0.0.1], "127.0.0.1"],
    ["nonsense", "127.0.0.1", %w[127.0.0.1], "127.0.0.1"],
    ["2001:db8::7", "::1", %w[::1], "2001:db8::7"],
    ["127.0.0.1, 127.0.0.1", "127.0.0.1", %w[127.0.0.1], "127.0.0.1"]
  ].freeze

  def test_only_a_trusted_proxy_is_believed
    WAYS.each do |said, from, proxies, expected|
      env = {
        "HTTP_X_FORWARDED_FOR" => said,
        "REMOTE_ADDR" => from,
        "HTTP_X_FORWARDED_PROTO" => "https"
      }.compact
      SteadyMove::Web::Origin.new(->(_) {}, proxies).call(env)
      assert_equal expected, env["REMOTE_ADDR"], said.inspect
      refute env.key?("HTTP_X_FORWARDED_FOR")
      assert_equal proxies.include?(from), env.key?("HTTP_X_FORWARDED_PROTO")
    end
  end
end
