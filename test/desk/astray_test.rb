# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Moves that went astray: whose transfer it is, what is undone, what nobody can meet; every one has
# a way out.
class AstrayTest < Minitest::Test
  include ByHand

  OPEN = "isles-timetable.example"
  KEPT = "nightboat-saltern.example"
  LOCK = "clientTransferProhibited"

  def asked(name)
    world
      .link
      .log
      .select { |l| l["name"] == name }
      .map { |l| l.values_at("registrar", "command", "code") }
  end

  def changes(name)
    world.link.log.select { |l| l["name"] == name && l["command"].match?(/update|cancel/) }
  end
  def at_release(id) = world.until_true { state(id)["release"].active? }

  # A transfer of long ago, between others.
  def moved_before(name)
    world.world.registry.instance_variable_get(:@db)[:transfers].insert(
      name: name,
      status: "serverApproved",
      requested_by: "tarnbeck",
      acts: "gannet",
      years: 1,
      requested_at: (world.app.now - (900 * 86_400)).to_i,
      act_at: (world.app.now - (895 * 86_400)).to_i
    )
  end

  # A move of such a name, whose order has failed on the way.
  def failed_order
    live_with("tarnbeck")
    moved_before(OPEN)
    id = world.start(OPEN, to: "orlop")
    world.link.fault("answer-orlop-transfer", "2400")
    world.runner.pass
    world.link.fault("answer-orlop-transfer", nil)
    id
  end

  # An order that fails on the way, on a name transferred before: 2201 to the question speaks of the
  # old transfer.
  def test_somebodys_old_transfer_is_no_refusal_of_ours
    id = failed_order
    assert_equal(%w[stuck theirs], state(id)["order"].then { |s| [s.phase, s.turn] })
    at_release(id)
    assert_includes asked(OPEN), ["orlop", "transfer query", 2201]
    assert_equal 1, asked(OPEN).count(["orlop", "transfer request", 1001])
  end

  def test_calling_off_ends_also_where_only_an_old_transfer_is_known
    id = failed_order
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    assert_equal ["Cancelled", false, [LOCK]],
                 [state(id).stage, world.move(id).open, row(OPEN)[:statuses]]
  end

  # Cancelled while an unlock may still take effect: it is watched until it can't any more, and the
  # lock is seen.
  def test_called_off_after_an_unlock_that_the_record_does_not_show_yet
    live_with("tarnbeck")
    name = "harbourpass.example"
    id = world.start(name, to: "orlop")
    world.until_true { state(id)["unlock"].done? }
    refute state(id)["lock-gone"].done?
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    assert_equal ["under-way", true], [state(id)["make-safe"].phase, world.move(id).open]
    assert_match(/may still happen/, state(id)["make-safe"].says)
    world.until_true { !world.move(id).open }
    assert_equal [LOCK], row(name)[:statuses]
    assert_match(/public record shows the lock/, state(id).last_of("make-safe").says)
    assert_operator state(id)["make-safe"].done_at, :>=, state(id)["unlock"].done_at + 3600
  end

  # What had been released before the call-off took effect is not taken back: it is closed as
  # landed.
  def test_called_off_after_the_release_had_taken_effect
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    at_release(id)
    world.world.registry.end_transfer("tarnbeck", KEPT, "approve", at: world.app.now)
    world.orders.call_off(id, by: ADA)
    world.until_true { !world.move(id).open }
    assert_equal "Settled", state(id).stage
    assert_includes world.move(id).events.map(&:type), "resumed"
    assert_equal(
      %w[orlop],
      changes(KEPT).last(1).map { |l| l["registrar"] },
      "who no longer holds it is asked nothing"
    )
    assert_operator changes(KEPT).size, :<=, 2
    move = world.move(id)
    acts = Core::Moves::ActsNow.new(move.state, open: move.open).ids
    assert_equal [true, false], [acts.include?(:move_back), acts.include?(:call_off)]
  end

  # Cancelling and putting the lock on are two acts, and have two keys.
  def test_no_two_acts_share_a_key
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    at_release(id)
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    acted =
      world.link.log.select do |l|
        l["name"] == KEPT && l["command"].match?(/update|(request|cancel)/)
      end
    keys = acted.map { |l| l["key"] }
    assert_equal [3, keys], [keys.size, keys.uniq]
  end

  # Released, and landed with other name servers than the plan's.
  def landed_otherwise(id)
    held = row(KEPT)[:name_servers]
    world
      .world
      .registry
      .domains
      .where(name: KEPT)
      .update(name_servers: '["ns1.elsewhere.test","ns2.elsewhere.test"]')
    world.orders.approve(id, by: ADA)
    world.until_true { state(id)["check-landed"].phase == "stuck" }
    held
  end

  def test_a_difference_after_landing_is_accepted_with_its_reason
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    at_release(id)
    landed_otherwise(id)
    assert_includes state(id)["check-landed"].says, "ns1.elsewhere.test"
    assert_match(
      /Why it is left/,
      assert_raises(SteadyMove::Desk::Refused) { accept(id, " ") }.message
    )
    accept(id, "the web team moved it meanwhile")
    world.runner.pass
    assert_equal ["Settled", false], [state(id).stage, world.move(id).open]
    checks = state(id).told("checks").data["checks"]
    assert_equal(["the web team moved it meanwhile"], checks.filter_map { |c| c["accepted"] }.uniq)
  end

  def accept(id, reason, step: "check-landed")
    world.orders.accept(id, by: ADA, step: step, reason: reason)
  end

  def test_only_the_difference_that_was_seen_is_accepted
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    at_release(id)
    landed_otherwise(id)
    accept(id, "known")
    world.world.registry.domains.where(name: KEPT).update(name_servers: '["ns9.third.test"]')
    world.runner.pass
    assert_equal "stuck", state(id)["check-landed"].phase, "another finding is another difference"
  end

  def test_a_difference_after_landing_is_put_right
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    at_release(id)
    held = landed_otherwise(id)
    world.orders.mend(id, by: ADA)
    world.until_true { !world.move(id).open }
    assert_equal ["Settled", held.sort], [state(id).stage, row(KEPT)[:name_servers].sort]
  end

  # A plan that starts looks name servers up again, also where they were seen a moment before it was
  # shown.
  def test_a_plan_looks_name_servers_up_again_when_it_starts
    live_with("tarnbeck")
    world.driver.move_on(to: world.app.now + 120)
    world.world.registry.domains.where(name: KEPT).update(name_servers: '["ns1.elsewhere.test"]')
    assert_match(
      /Do the name servers .* \(ns1.elsewhere.test\) belong to/,
      assert_raises(SteadyMove::Desk::Refused) { world.start(KEPT, to: "orlop") }.message
    )
    SteadyMove::Desk::Records::HostQuestion.new(world.app).answer(KEPT, ends: false, by: ADA)
    id = world.start(KEPT, to: "orlop")
    assert_equal ["ns1.elsewhere.test"], world.move(id).plan.name_servers
  end

  # The move's row and the first line of its journal are written together.
  def test_a_move_is_begun_whole_or_not_at_all
    live_with("tarnbeck")
    journal = world.app.journal
    journal.define_singleton_method(:add) do |type, **more|
      type == "planned" ? raise(Interrupt) : super(type, **more)
    end
    assert_raises(Interrupt) { world.start(KEPT, to: "orlop") }
    assert_empty world.app.moves.all
  ensure
    journal&.singleton_class&.remove_method(:add)
  end

  # What was approved before a kill is sent as soon as another process starts.
  def test_an_approval_is_sent_at_once_after_a_start
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    at_release(id)
    world.runner.pass
    world.orders.approve(id, by: ADA)
    SteadyMove::Desk::Engine::StepRunner.new(world.app).tap(&:follow).tap(&:dispatch).rest(20)
    assert_includes asked(KEPT), ["tarnbeck", "transfer approve", 1000]
  end

  # The clock was ahead by a day when the steps were put off: they are not waited for a day.
  def test_a_clock_that_was_set_back
    live_with("tarnbeck")
    id = world.start("harbourpass.example", to: "orlop")
    world.runner.pass
    ahead = world.app.now + 86_400
    world.app.schedule.look_again(id, "lock-gone", at: ahead + 900, now: ahead)
    assert_equal(
      [["lock-gone", id]],
      world.app.schedule.due(now: world.app.now).map { |d| [d.step, d.move_id] }
    )
    room = SteadyMove::Desk::Mail::PostRoom.new(world.app)
    room.instance_variable_set(:@due_at, ahead + 300)
    assert_predicate room, :due?
  end

  # A hold that has ended, or that another has taken, acts no more: it is asked just before the act.
  def test_an_ended_hold_acts_no_more
    live_with("tarnbeck")
    id = world.start(KEPT, to: "orlop")
    world.app.schedule.sync(world.move(id), now: world.app.now)
    take = ->(who, at) { world.app.schedule.take(id, "unlock", now: at, holder: who) }
    job =
      lambda do |who|
        ports = SteadyMove::Desk::Moves::StepPorts.of(world.app)
        SteadyMove::Desk::Moves::StepContext.new(
          ports,
          world.move(id),
          "unlock",
          world.app.now,
          holder: who
        )
      end
    assert take.call("a", world.app.now)
    assert_match(/\Asm-#{id}-unlock-1\z/, job.call("a").intend("x") { |key| key })
    assert_raises(SteadyMove::Desk::Moves::StepContext::HoldLost) do
      job.call("b").intend("x") { flunk }
    end
    assert take.call("b", world.app.now + 121)
    assert_raises(SteadyMove::Desk::Moves::StepContext::HoldLost) do
      job.call("a").intend("x") { flunk }
    end
    assert_match(/-2\z/, job.call("b").intend("x") { |key| key })
  end

  # A registrar that takes the question and says nothing keeps only its own moves waiting.
  def test_a_mute_registrar_delays_nobody_else
    @world = BenchWorld.new(names_at: %w[tarnbeck gannet], timeout: 8)
    mute = world.start(KEPT, to: "orlop")
    free = world.start("northskerry-crew.example", to: "orlop")
    consent =
      lambda { hands.consent([free], given_by: "Pearl", ends: world.app.now + 86_400, by: ADA) }
    world.link.fault("mute-tarnbeck", "on")
    runner = SteadyMove::Desk::Engine::StepRunner.new(world.app)
    runner.follow
    runner.dispatch
    consent.call
    runner.dispatch
    Timeout.timeout(15) { IO.select(nil, nil, nil, 0.05) until state(free).done?("consent") }
    assert_includes runner.busy.keys, "account tarnbeck"
    refute state(mute).done?("unlock")
  ensure
    world.link.fault("mute-tarnbeck", nil)
    runner&.rest(30)
  end
end
