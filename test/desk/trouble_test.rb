# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# The outside refuses, is away or lies: a plain sentence, when it is looked at again, and in the end the move goes on.
class TroubleTest < Minitest::Test
  CARRIED = "salternferries.example"
  LOCKED = "harbourpass.example"
  OPEN = "isles-timetable.example"

  def setup = @world = BenchWorld.new
  def teardown = @world.close

  # name, DNS host, fault, detail, step that is held up, part of what is said
  TROUBLES = [
    [LOCKED, nil, "away-tarnbeck", nil, "unlock", "can't be reached|closed the connection"],
    [LOCKED, nil, "cut-tarnbeck", nil, "unlock", "can't be reached|closed the connection"],
    [LOCKED, nil, "rdap-away", nil, "lock-gone", "answered 503"],
    [LOCKED, nil, "rdap-unknown", LOCKED, "lock-gone", "does not hold this name \\(404\\)"],
    [CARRIED, "lanternroom", "no-transfer-tarnbeck-dns", nil, "fetch-zone", "refused the zone transfer"],
    ["saltern-freight.example", "lanternroom", "silent-lanternroom", nil, "put-zone", "does not answer|closed the connection"],
    [OPEN, nil, "answer-orlop-info", "2202", "check-code", "rejects the code \\(2202"],
    [OPEN, nil, "answer-orlop-transfer", "2304", "order", "still shows a lock \\(2304\\)"],
    [OPEN, nil, "answer-orlop-transfer", "2104", "order", "refused the order \\(2104"]
  ].freeze

  def test_each_trouble_is_said_kept_and_overcome
    TROUBLES.each_with_index do |(name, host, fault, detail, step, says), i|
      id = @world.start(name, to: "orlop", host: host)
      @world.link.fault(fault, detail || "on")
      @world.runner.pass
      @world.until_true(most: 5) { @world.move(id).state[step].phase == "stuck" }
      held = @world.move(id).state[step]
      assert_match(/#{says}/, held.says)
      assert_equal(1, @world.move(id).events.count { |e| e.type == "problem" && e.step == step })
      look = @world.app.moves.looks[[id, step]]
      assert_operator look, :>, @world.app.now, "#{fault}: it is not said when it is looked at again"
      @world.link.fault(fault, nil)
      @world.driver.move_on(to: look)
      refute_equal "stuck", @world.move(id).state[step].phase, "#{fault}: #{@world.move(id).state[step].says}"
      @world.orders.call_off(id, by: "ada") && @world.runner.pass
      refute @world.move(id).open, "case #{i} is put away"
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
    assert_empty @world.link.log.select { |l| l["command"] == "transfer request" && l["code"] == 2304 }, "ordered too early"
  end

  def test_the_losing_side_refuses_and_the_name_is_made_safe
    id = @world.start(OPEN, to: "orlop")
    @world.until_true { @world.move(id).state["release"].active? }
    @world.world.registry.end_transfer("tarnbeck", OPEN, "reject", at: @world.app.now)
    @world.until_true { !@world.move(id).open }
    assert_equal "Refused", @world.move(id).state.stage
    assert_equal ["clientTransferProhibited"], @world.world.registry.find(OPEN)[:statuses]
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
