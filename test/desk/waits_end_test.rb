# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Every wait for somebody else ends: a world that falls silent at each step of each family, and one
# that refuses, leave no state without an end; a look that fails takes nobody's task away.
class WaitsEndTest < Minitest::Test
  include ByHand

  DAY = 86_400
  OPEN = "isles-timetable.example"
  # name => [to, its registrar]: each family, over connections and by hand.
  FAMILIES = {
    "harbourpass.example" => %w[orlop tarnbeck],
    "saltern-press.fjd.test" => %w[orlop tarnbeck],
    "seal-bay-trips.isl.test" => %w[orlop millrace],
    "slipway.example" => %w[hawser millrace],
    "isles-school-trips.brg.test" => %w[withy cobble],
    "northskerry-crew.example" => %w[orlop gannet]
  }.freeze
  REGISTRARS = %w[tarnbeck gannet millrace cobble fairlead orlop hawser withy].freeze

  # Nobody answers any more: no connection, no record, no DNS.
  def silence(on)
    REGISTRARS.each { |r| world.link.fault("away-#{r}", on ? "on" : nil) }
    world.link.fault("rdap-away", on ? "on" : nil)
    world.link.fault("servfail-registry", on ? "on" : nil)
  end

  # Whose turn it must be in the end: a person's, or time's own with an instant that was told.
  def hanging(id)
    state(id).active.reject do |s|
      ends = s.event&.phrase.to_h[:values].to_h[:until]
      s.turn == "yours" || (s.turn == "clock" && ends.is_a?(Time) && ends > world.app.now)
    end
  end

  def live_long(days, by: DAY / 2)
    (days * DAY / by).times { world.driver.send(:step_to, world.app.now + by) }
  end

  # Done by hand wherever a person is asked, so that every step is reached.
  def go_on(id)
    state(id)
      .active
      .select { |s| s.turn == "yours" }
      .each do |s|
        if s.step.trait?(:waivable) && s.phase == "stuck"
          world.orders.accept(id, by: ADA, step: s.step.id, reason: "as it is")
        end
        prove(id, s.step.id) if s.step.by_hand? || s.step.trait?(:consent)
      end
    world.driver.move_on
  end

  FAMILIES.each do |name, (to, _from)|
    define_method(:"test_a_silent_world_#{name.tr(".-", "__")}") do
      live_with(*REGISTRARS)
      id = begun(name, to) or flunk("it can't start: #{@why}")
      seen = Set.new
      25.times do
        break if state(id).ending

        fresh = state(id).active.map { |s| s.step.id } - seen.to_a
        if fresh.any?
          silence(true)
          live_long(12, by: DAY)
          assert_empty hanging(id).map { |s| [s.step.id, s.turn, s.says] },
                       "#{name}: nobody is asked"
          silence(false)
          seen.merge(fresh)
          world.app.schedule.wake(id, world.app.now)
          world.runner.pass
        end
        go_on(id)
      end
      assert_operator seen.size, :>=, 1
    end
  end

  def begun(name, to)
    proposal = world.plan(name, to: to)
    @why = proposal.refusals.join(" ")
    proposal.startable? ? world.start(name, to: to).tap { world.runner.pass } : nil
  end

  # A world that answers with each refusal: each says plainly what is wrong and is somebody's turn
  # before long.
  def test_a_refusing_world
    live_with("tarnbeck")
    { "info" => "tarnbeck", "update" => "tarnbeck", "transfer" => "orlop" }.each do |verb, side|
      [2000, 2104, 2201, 2302, 2304, 2306, 2400, 2502].each do |code|
        id = world.start("harbourpass.example", to: "orlop")
        world.link.fault("answer-#{side}-#{verb}", code.to_s)
        live_long(2)
        assert_empty(hanging(id).map { |s| [verb, code, s.step.id, s.turn, s.says] })
        world.link.fault("answer-#{side}-#{verb}", nil)
        world.orders.call_off(id, by: ADA)
        world.until_true(most: 100, what: "#{verb} #{code} put away") { !world.move(id).open }
      end
    end
  end

  # The lock comes back after the order was paid by hand: said at once, with who has to do what.
  def test_a_lock_that_returns_after_the_order
    live_with("millrace")
    world.app.names.find("slipway.example")
    plan = world.plan("slipway.example", to: "hawser")
    assert_predicate plan, :startable?, plan.refusals.join
    id = world.start("slipway.example", to: "hawser")
    plan.plan.steps.each do |s|
      prove(id, s.id) if s.stage != "Ordered" && s.stage != "Landed" && s.id != "release"
    end
    world.app.codes.put(id, "slipway.example", "a-code-of-12", at: world.app.now)
    prove(id, "order")
    world
      .world
      .registry
      .domains
      .where(name: "slipway.example")
      .update(statuses: '["clientTransferProhibited"]')
    prove(id, "confirm-link", "confirm-halves")
    world.driver.move_on(to: world.app.now + 7200)
    pending = state(id)["registry-pending"]
    assert_equal %w[stuck yours], [pending.phase, pending.turn], pending.says
    assert_match(/lock of slipway.example is on again/, pending.says)
  end

  def prove(id, *steps)
    steps.each do |step|
      next if state(id)[step].nil? || state(id).done?(step)

      world.app.journal.add(
        "done",
        at: world.app.now,
        says: SteadyMove::Words.phrase("common.yes_word"),
        by: "desk",
        move_id: id,
        name: world.move(id).name,
        step: step
      )
    end
  end

  # The record can't be had: the task stands all the same, and what can't be checked is said beside
  # it.
  def test_a_look_that_fails_takes_no_task_away
    live_with("millrace")
    id = world.start("slipway.example", to: "orlop")
    world.until_true(what: "a task") { hands.places.flat_map(&:items).any? { |i| i.move_id == id } }
    before = hands.places.flat_map(&:items).select { |i| i.move_id == id }.map(&:step)
    world.link.fault("rdap-away", "on")
    world.driver.move_on(to: world.app.now + (13 * 3600))
    items = hands.places.flat_map(&:items).select { |i| i.move_id == id }
    assert_empty before - items.map(&:step)
    assert_match(
      /no time now|not be reached/,
      items.select { |i| i.phase == "stuck" }.map(&:says).join
    )
  end

  # Shown, done and never said; then cancelled: “lock on” is said only after the longest lag, and
  # not of an open name.
  def test_what_was_shown_is_perhaps_done
    live_with("millrace")
    id = world.start("slipway.example", to: "orlop")
    world.until_true(what: "the task") { told(id, "unlock") }
    visitor.act(told(id, "unlock").hand.site, "slipway.example", "lock-off")
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    safe = state(id)["make-safe"]
    refute_nil safe, "it may have been done"
    assert world.move(id).open
    world.driver.move_on(to: world.app.now + 7200)
    assert world.move(id).open, "the record shows no lock"
    refute_includes row("slipway.example")[:statuses], "clientTransferProhibited"
    assert_equal "yours", state(id)["make-safe"].turn
  end

  # Four client statuses are one switch on a registrar's pages: they stop no plan.
  def test_one_switch_for_four_statuses
    live_with("millrace", "gannet")
    four = %w[
      clientTransferProhibited
      clientUpdateProhibited
      clientDeleteProhibited
      clientRenewProhibited
    ]
    { "slipway.example" => true, "northskerry-archive.example" => false }.each do |name, by_hand|
      world.world.registry.domains.where(name: name).update(statuses: JSON.generate(four))
      account = world.app.accounts.find(world.app.names.find(name)[:account_id])
      SteadyMove::Desk::Portfolio::Observe.new(world.app).name(domain(name), account)
      refused = world.plan(name, to: "orlop").refusals.join
      if by_hand
        refute_match(/takes no changes/, refused)
      else
        assert_match(/takes no changes/, refused)
      end
    end
  end

  # “I have done it” said too early is taken back, and is to be done again.
  def test_not_done_after_all
    live_with("millrace")
    id = world.start("slipway.example", to: "orlop")
    world.until_true(what: "the task") { told(id, "unlock") }
    assert_raises(SteadyMove::Desk::Refused) { hands.unsaid([[id, "unlock"]], by: ADA) }
    say(id, "unlock")
    assert_equal "theirs", state(id)["unlock"].turn
    hands.unsaid([[id, "unlock"]], by: ADA)
    world.runner.pass
    assert_equal ["yours", nil], [state(id)["unlock"].turn, state(id).begun_at("unlock")]
  end

  # Wanted beforehand over a connection: approved without another word, unless it was taken back.
  def test_approved_as_soon_as_it_is_asked_for
    live_with("tarnbeck")
    id = world.start(OPEN, to: "orlop")
    world.orders.approve(id, by: ADA)
    assert_equal [true, ADA], [state(id).wished?, state(id).wished_by]
    world.orders.unwish(id, by: ADA)
    refute_predicate state(id), :wished?
    assert_raises(SteadyMove::Desk::Refused) { world.orders.unwish(id, by: ADA) }
    assert_empty SteadyMove::Desk::Moves::Approvals.new(world.app).due, "nothing was asked for yet"
    world.orders.approve(id, by: ADA)
    world.until_true(most: 100, what: "the landing") { state(id).landed? }
    approved = world.move(id).events.find { |e| e.type == "approved" }
    assert_match(/as #{ADA} wanted beforehand/, approved.says)
    assert_equal(1, world.link.log.count { |l| l["command"] == "transfer approve" })
  end

  # Where the release is by page or letter the desk opens nothing by itself: it tells whoever wished
  # it, once.
  def test_told_the_minute_it_can_be_approved
    live_with("millrace")
    sent = []
    sender = Struct.new(:from).new("desk@saltern-office.example")
    sender.define_singleton_method(:deliver) { |raw, to:| sent << [to, Mail.new(raw).subject] }
    world.app.instance_variable_set(:@sender, sender)
    id = start("slipway.example")
    world.orders.approve(id, by: ADA)
    do_it(id, "unlock", "lock-off")
    do_it(id, "ask-code", "code")
    until_step(id, "release")
    world.driver.move_on(to: world.app.now + 120)
    world.driver.move_on(to: world.app.now + 600)
    assert_equal(
      [[ADA]],
      sent.select { |_, subject| subject.include?("slipway.example") }.map(&:first)
    )
    assert(world.move(id).events.any? { |e| e.type == "wish-told" })
    refute(world.move(id).events.any? { |e| e.type == "approved" }, "nothing is approved by itself")
  end

  # A part that can't be made ready is refused aloud, never dropped.
  def test_parts_are_kept_or_refused_aloud
    live_with("tarnbeck", "gannet")
    preparing = SteadyMove::Desk::Planning::Preparing.new(world.app)
    ends = world.app.now + DAY
    refused =
      assert_raises(SteadyMove::Desk::Refused) do
        preparing.start(OPEN, parts: %w[code privacy], by: ADA, ends: ends)
      end
    assert_match(/turning a privacy service off can't be made ready/, refused.message)
    id = preparing.start("northskerry-crew.example", parts: %w[unlock privacy], by: ADA, ends: ends)
    assert_includes world.move(id).plan.options, :privacy
  end
end
