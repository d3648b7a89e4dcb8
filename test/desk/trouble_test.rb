# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# The outside refuses, is away or lies: a plain sentence, when it is looked at again, and in the end
# the move goes on.
class TroubleTest < Minitest::Test
  CARRIED = "salternferries.example"
  LOCKED = "harbourpass.example"
  OPEN = "isles-timetable.example"

  def setup = @world = BenchWorld.new(timeout: 6)
  def teardown = @world.close

  # name, DNS host, fault, detail, step that is held up, part of what is said
  TROUBLES = [
    [LOCKED, nil, "away-tarnbeck", nil, "unlock", "can't be reached|closed the connection"],
    [LOCKED, nil, "cut-tarnbeck", nil, "unlock", "can't be reached|closed the connection"],
    [LOCKED, nil, "half-tarnbeck", nil, "unlock", "ended inside a message"],
    [LOCKED, nil, "garbage-tarnbeck", nil, "unlock", "not <epp>"],
    [LOCKED, nil, "stranger-tarnbeck", nil, "unlock", "answered another command"],
    [LOCKED, nil, "lying-tarnbeck", nil, "unlock", "message length of"],
    [LOCKED, nil, "rdap-away", nil, "lock-gone", "has no time now \\(503\\)"],
    [LOCKED, nil, "rdap-busy", nil, "lock-gone", "asks for fewer questions"],
    [LOCKED, nil, "rdap-elsewhere", nil, "lock-gone", "points elsewhere"],
    [LOCKED, nil, "rdap-garbage", nil, "lock-gone", "not JSON"],
    [LOCKED, nil, "rdap-short", nil, "lock-gone", "can't be reached|did not answer"],
    [
      "saltern-careers.example",
      "lanternroom",
      "truncated-lanternroom",
      nil,
      "put-zone",
      "closed the connection"
    ],
    [LOCKED, nil, "rdap-unknown", LOCKED, "lock-gone", "does not hold this name \\(404\\)"],
    [
      CARRIED,
      "lanternroom",
      "no-transfer-tarnbeck-dns",
      nil,
      "fetch-zone",
      "refused the zone transfer"
    ],
    [
      "saltern-freight.example",
      "lanternroom",
      "silent-lanternroom",
      nil,
      "put-zone",
      "does not answer|closed the connection"
    ],
    [OPEN, nil, "answer-orlop-info", "2202", "check-code", "rejects the code \\(2202"],
    [OPEN, nil, "answer-orlop-transfer", "2304", "order", "still shows a lock \\(2304\\)"],
    [OPEN, nil, "answer-orlop-transfer", "2104", "order", "refused the order \\(2104"]
  ].freeze

  def test_each_trouble_is_said_kept_and_overcome
    TROUBLES.each_with_index do |(name, host, fault, detail, step, says), i|
      id = @world.start(name, to: "orlop", host: host)
      @world.link.fault(fault, detail || "on")
      @world.runner.pass
      @world.until_true(most: 5, what: [fault, step]) do
        @world.move(id).state[step].phase == "stuck"
      end
      held = @world.move(id).state[step]
      assert_match(/#{says}/, held.says)
      assert_equal(1, @world.move(id).events.count { |e| e.type == "problem" && e.step == step })
      look = @world.app.schedule.looks_of(id)[step]
      assert_operator look,
                      :>,
                      @world.app.now,
                      "#{fault}: it is not said when it is looked at again"
      @world.link.fault(fault, nil)
      @world.driver.move_on(to: look)
      refute_equal "stuck",
                   @world.move(id).state[step].phase,
                   "#{fault}: #{@world.move(id).state[step].says}"
      @world.orders.call_off(id, by: "ada") && @world.runner.pass
      @world.until_true(what: "case #{i} put away") { !@world.move(id).open }
    end
  end

  def test_a_rejected_code_is_wiped_and_fetched_anew
    @world.app # the registry changes the code behind the registrar's back once the desk holds the old one
    id = @world.start(OPEN, to: "orlop")
    @world.link.fault("answer-orlop-info", "2202")
    @world.runner.pass
    assert_equal "Make ready", @world.move(id).state.stage
    @world.link.change(OPEN, "auth_info" => "entirely-new-77")
    @world.link.fault("answer-orlop-info", nil)
    @world.until_true { @world.move(id).state.done?("order") }
    assert_includes @world.move(id).events.map(&:type), "reopened"
  end

  def test_the_order_waits_for_the_lock_that_only_the_registry_still_holds
    id = @world.start(LOCKED, to: "orlop")
    @world.runner.pass
    assert_equal(%w[lock-gone], @world.move(id).state.active.map { |s| s.step.id })
    @world.driver.move_on(to: @world.app.now + 899)
    refute @world.move(id).state.done?("order")
    @world.driver.move_on(to: @world.app.now + 1)
    assert @world.move(id).state.done?("order")
    assert_empty @world.link.log.select { |l|
                   l["command"] == "transfer request" && l["code"] == 2304
                 },
                 "ordered too early"
  end

  def test_the_losing_side_refuses_and_the_name_is_made_safe
    id = @world.start(OPEN, to: "orlop")
    @world.until_true { @world.move(id).state["release"].active? }
    @world.world.registry.end_transfer("tarnbeck", OPEN, "reject", at: @world.app.now)
    @world.until_true { !@world.move(id).open }
    assert_equal "Refused", @world.move(id).state.stage
    assert_equal ["clientTransferProhibited"], @world.world.registry.find(OPEN)[:statuses]
  end

  def test_a_pause_that_is_asked_for_is_kept
    id = @world.start(LOCKED, to: "orlop")
    @world.link.fault("rdap-busy", "on")
    @world.runner.pass
    assert_equal @world.app.now + 1200, @world.app.schedule.looks_of(id)["lock-gone"]
  end

  # Back-off rises to an hour and never beyond, give or take a tenth; other moves go on meanwhile.
  def test_a_registrar_that_is_away_for_a_day
    held = @world.start(LOCKED, to: "orlop")
    @world.link.fault("away-tarnbeck", "on")
    free = @world.start("nightboat-saltern.example", to: "orlop")
    gaps = []
    seen = nil
    @world.runner.pass
    60.times do
      look = @world.app.schedule.looks_of(held)["unlock"]
      gaps << (look - @world.app.now) if look != seen
      seen = look
      break if @world.app.now > utc("2027-03-02T08:00:00Z")

      @world.driver.move_on
    end
    assert_operator gaps.max, :<=, 3960
    assert_operator gaps.max, :>, 3200
    assert_operator gaps.first, :<, 70
    said =
      @world.move(held).events.select { |e| e.type == "problem" && e.step == "unlock" }.map(&:says)
    assert_equal(
      [said.uniq, true],
      [said, said.size.between?(1, 2)],
      "cut, then refused: each is said once"
    )
    @world.link.fault("away-tarnbeck", nil)
    @world.until_true { @world.move(held).state.done?("order") }
    refute_nil @world.move(free)
  end

  def test_what_nobody_foresaw_holds_up_its_own_step_only
    bad = @world.start(LOCKED, to: "orlop")
    good = @world.start("nightboat-saltern.example", to: "orlop")
    told = []
    runner = SteadyMove::Desk::Engine::StepRunner.new(@world.app, on_error: ->(e) { told << e })
    unforeseen(SteadyMove::Desk::Moves.const_get(:Steps)::Unlock, LOCKED) { runner.pass }
    assert_equal [KeyError], told.map(&:class)
    assert_equal "stuck", @world.move(bad).state["unlock"].phase
    assert @world.move(good).state.done?("order")
  end

  # The plan says what the desk can't do, before anything begins.
  def test_plans_that_would_break_something_or_can_not_be_acted_on
    @world.app.names.forget(CARRIED, :public_record, :signed)
    assert_includes @world.plan(CARRIED, to: "orlop", host: "lanternroom").refusals.join,
                    "not known whether the name is signed"
  end

  # While the block runs, one step raises what nobody foresaw, for one name.
  def unforeseen(step, name)
    original = step.instance_method(:call)
    step.define_method(:call) do
      plan.name == name ? raise(KeyError, "host") : original.bind_call(self)
    end
    yield
  ensure
    step.define_method(:call, original)
  end

  def test_a_certificate_that_is_not_the_registrars
    account = @world.app.accounts.find("tarnbeck")
    account =
      account.dup.tap do |a|
        a.connection = a.connection.merge("server_name" => "elsewhere.example")
      end
    connections = SteadyMove::Desk::Accounts::Connections.new(timeout: 15)
    error = assert_raises(SteadyMove::Wire::Unreachable) { connections.with(account) { |c| c } }
    assert_match(/secure connection failed|hostname/, error.message)
  end

  # Who stood in line while the other side was silent hears it at once; who comes later asks anew.
  def test_silence_is_shared_by_those_in_line
    account = @world.app.accounts.find("tarnbeck")
    connections = SteadyMove::Desk::Accounts::Connections.new(timeout: 15)
    tries = Queue.new
    gate = Queue.new
    silent = ->(*) do
      tries << 1
      gate.pop
      raise SteadyMove::Wire::Unreachable, "silent"
    end
    connections.stub(:live, silent) do
      ask = -> do
        Thread.new do
          connections.with(account) { 1 }
        rescue SteadyMove::Wire::Unreachable => e
          e.message
        end
      end
      line = Array.new(5) { ask.call }
      Thread.pass until line.all? { |thread| thread.status == "sleep" }
      gate << 1
      assert_equal ["silent"] * 5, line.map(&:value)
      assert_equal 1, tries.size
      later = ask.call
      gate << 1
      assert_equal ["silent", 2], [later.value, tries.size]
    end
  end

  def test_a_server_that_takes_the_question_and_says_nothing
    silent = BenchWorld.new(timeout: 2)
    id = silent.start(OPEN, to: "orlop")
    silent.link.fault("mute-tarnbeck", "on")
    silent.runner.pass
    assert_includes silent.move(id).state["unlock"].says, "did not answer within 2 s"
  ensure
    silent&.close
  end

  # An order whose answer was lost is found by asking, not by ordering again.
  def test_a_lost_answer_is_never_ordered_twice
    id = @world.start(OPEN, to: "orlop")
    lose_answers("transfer request") { @world.runner.pass }
    assert_equal "stuck", @world.move(id).state["order"].phase
    @world.until_true { @world.move(id).state.done?("registry-pending") }
    assert_equal(1, @world.link.log.count { |l| l["command"] == "transfer request" })
  end

  private

  # The gaining registrar carries out what it is asked, then cuts the line.
  def lose_answers(command)
    service = Practice::Epp::Service
    original = service.instance_method(:call)
    link = @world.link
    service.define_method(:call) do |request|
      reply = original.bind_call(self, request)
      link && @world.set_fault("cut-orlop", "on") if [request.verb, request.op].join(" ") == command
      reply
    end
    yield
  ensure
    service.define_method(:call, original)
    @world.link.fault("cut-orlop", nil)
  end
end
