# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/outside"

# What goes otherwise than hoped where nobody offers a connection: records that hide or lag,
# refusals, lapses, a call-off; each ends in a safe state that was looked at.
class OutsideEndsTest < Minitest::Test
  include Outside

  LOCK = SteadyMove::Core::Names::Statuses::LOCK

  def moves(id) = world.move(id)
  def events(id, type) = moves(id).events.select { |e| e.type == type }

  # The record never shows pendingTransfer: the losing side's notice and the landing cover what it
  # hides.
  def test_a_record_that_hides_pending
    live_with("millrace")
    world.world.set_fault("rdap-hides-pending", true)
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "the notice") { state(id).done?("registry-pending") }
    assert_match(/mailbox/, state(id)["registry-pending"].event.evidence["source"])
    do_it(id, "release", "release")
    until_step(id, "lock-back")
    closing(id)
  end

  # A record a day behind: later, and nothing stalls.
  def test_a_record_that_lags_a_day
    live_with("millrace")
    world.world.set_fault("rdap-lags", true)
    id = ready
    began = world.app.now
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    do_it(id, "release", "release")
    until_step(id, "lock-back", most: 200)
    assert_operator world.app.now - began, :>, 80_000
    assert_equal "hawser", row(NAME)[:sponsor]
  end

  # Nobody approves: silence lets it through, and it is told until when.
  def test_silence_with_its_deadline
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    world.until_true(what: "the release is due") { state(id)["release"].turn == "yours" }
    assert_match(/Silence counts as approval on </, state(id)["release"].says)
    until_step(id, "lock-back", most: 200)
    assert_equal "hawser", row(NAME)[:sponsor]
  end

  # A losing side at which nobody can approve: nobody is asked to, and silence does it.
  def test_nobody_can_approve
    live_with("millrace")
    account = world.app.accounts.find("millrace")
    ways = account.habits["ways"].merge("release" => "none")
    world.app.accounts.put(account.dup.tap { |a| a.habits = account.habits.merge("ways" => ways) })
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    assert_equal "clock", state(id)["release"].turn
    assert_raises(SteadyMove::Desk::Refused) { world.orders.approve(id, by: ADA) }
    until_step(id, "lock-back", most: 200)
  end

  # Wanted before it could be done: offered the moment that it can.
  def test_a_wish_to_approve_is_kept
    id = ready
    world.orders.approve(id, by: ADA)
    assert_predicate state(id), :wished?
    ordered_at_hawser(id)
    world.until_true(what: "the release is due") do
      state(id)["release"].turn == "yours" && state(id).done?("registry-pending")
    end
    assert_match(/You wanted to approve it/, state(id)["release"].says)
  end

  # why the gaining side refuses => what is done anew, and whose turn it is then
  REFUSALS = {
    "locked" => %w[],
    "code" => %w[ask-code],
    "payment" => %w[order],
    "taken" => %w[order],
    "paid_not_set_up" => %w[order]
  }.freeze

  def test_a_refused_order_leads_to_its_remedy
    REFUSALS.each do |why, steps|
      id = ready
      order_desk.refused(id, why: why, words: "Sorry, no.", by: ADA)
      world.runner.pass
      assert_empty steps - state(id).active.map { |s| s.step.id }, why
      told = events(id, "reopened").last.says
      assert_includes told, "“Sorry, no.”"
      assert_nil world.app.codes.of_move(id) if why == "code"
      if steps == %w[order]
        assert_equal %w[stuck yours], state(id)["order"].then { |s| [s.phase, s.turn] }, why
        assert_includes state(id)["order"].says, "Hawser Lane Names"
      end
      world.close
      @world = @visitor = nil
    end
    live_with("millrace")
  end

  # Charged, and nothing set up: said, the support sets it up, and the move goes on; nothing is paid
  # twice.
  def test_paid_and_not_set_up
    id = ready("kedge")
    card("kedge")
    text, = order_desk.list("kedge", by: ADA)
    assert_includes text, "\t"
    visitor.act(site("kedge"), "all", "add", list: text)
    visitor.act(site("kedge"), "all", "pay")
    order_desk.refused(id, why: "paid_not_set_up", by: ADA)
    world.runner.pass
    assert_match(/don't pay a second time/, state(id)["order"].says)
    visitor.act(site("kedge"), NAME, "set-up")
    say(id, "order")
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    assert_equal 1, world.world.shop("kedge").orders.size
  end

  # The losing side rejects; its mail or the gaining side's says so; the lock goes on again.
  def test_the_losing_side_refuses
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    world.world.exclusively do
      world.world.registry.end_transfer("millrace", NAME, "reject", at: world.world.now)
    end
    until_step(id, "make-safe")
    assert_equal "Refused", state(id).stage
    do_it(id, "make-safe", "lock-on")
    until_over(id)
    assert_includes row(NAME)[:statuses], LOCK
    assert_nil world.app.codes.of_move(id)
  end

  # A mail that says so ends nothing that the record still shows as pending.
  def test_a_mail_does_not_end_what_is_pending
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    world.world.post.deliver(
      world.world.now + 60,
      from: "orders@hawserlane.example",
      to: "names@saltern-office.example",
      subject: "Your order for #{NAME} could not be placed",
      text: "The order could not be placed."
    )
    world.driver.move_on(to: world.app.now + 7200)
    assert(world.move(id).events.any? { |e| e.data["ended"] })
    assert_nil state(id).ending
  end

  # The record lags, a mail quotes that it was rejected, and then the record shows it pending: the
  # ending is taken back.
  def test_an_ending_that_only_words_say_is_taken_back
    live_with("millrace")
    world.world.set_fault("rdap-hides-pending", true)
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "the notice") { state(id).done?("registry-pending") }
    world.world.post.deliver(
      world.world.now + 60,
      from: "orders@hawserlane.example",
      to: "names@saltern-office.example",
      subject: "Your transfer of #{NAME}",
      text: "The transfer was rejected."
    )
    world.until_true(what: "the end") { state(id).ending }
    world.world.set_fault("rdap-hides-pending", false)
    world.until_true(what: "taking back", most: 10) { state(id).ending.nil? }
    assert_match(/still pending: the move goes on/, events(id, "resumed").last.says)
    do_it(id, "release", "release") && until_step(id, "lock-back")
  end

  # It ends, and neither side writes: a person is asked which end it was.
  def test_an_end_that_nobody_tells
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    world.world.exclusively do
      world.world.registry.domains.where(name: NAME).update(statuses: '["ok"]')
      world.world.instance_variable_get(:@db)[:transfers].where(name: NAME).update(
        status: "serverCancelled"
      )
    end
    world.until_true(what: "the question") do
      state(id).active.any? { |s| s.event&.data&.key?("which_end") }
    end
    assert_raises(SteadyMove::Desk::Refused) { world.orders.over(id, how: "vanished", by: ADA) }
    world.orders.over(id, how: "lapsed", by: ADA)
    world.runner.pass
    do_it(id, "withdraw", "cancel") if state(id)["withdraw"]&.active?
    until_step(id, "make-safe")
    do_it(id, "make-safe", "lock-on")
    until_over(id)
    assert_includes row(NAME)[:statuses], LOCK
  end

  # Cancelled while it is pending: first the order is taken back, then the lock goes on, each seen
  # from outside.
  def test_called_off_by_hand
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    assert_equal %w[withdraw],
                 state(id).active.map { |s| s.step.id },
                 "the lock can't go on while it is pending"
    do_it(id, "withdraw", "cancel")
    until_step(id, "make-safe")
    do_it(id, "make-safe", "lock-on")
    until_over(id)
    assert_equal ["Cancelled", "millrace", true],
                 [state(id).stage, row(NAME)[:sponsor], row(NAME)[:statuses].include?(LOCK)]
  end

  # Released before the order could be taken back: it goes on as landed.
  def test_called_off_too_late
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    visitor.act(site("millrace"), NAME, "release")
    if world.world.registry.pending(NAME)
      world.world.exclusively do
        world.world.registry.end_transfer("millrace", NAME, "approve", at: world.world.now)
      end
    end
    world.orders.call_off(id, by: ADA)
    until_step(id, "lock-back")
    closing(id)
  end

  # The record calls the gaining side by a name that nobody wrote down: asked, kept, and the move
  # goes on.
  def test_the_record_calls_the_gaining_side_otherwise
    live_with("millrace")
    account = world.app.accounts.find("hawser")
    world.app.accounts.put(
      account.dup.tap do |a|
        a.registrar = "Hawser"
        a.habits = account.habits.except("registrar_names")
      end
    )
    id = ready
    ordered_at_hawser(id)
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    do_it(id, "release", "release")
    world.until_true(what: "the question") { state(id)["landed"].phase == "stuck" }
    assert_match(/names Hawser Lane Names as the registrar.*Is that/, state(id)["landed"].says)
    world.orders.same_registrar(id, by: ADA)
    until_step(id, "lock-back")
    assert_includes world.app.accounts.find("hawser").habits["registrar_names"], "Hawser Lane Names"
    closing(id)
  end

  # A stranger's transfer of the same name is not taken for the order that nobody placed yet.
  def test_somebody_elses_transfer_is_not_ours
    id = ready
    world.world.exclusively do
      world.world.registry.request_transfer(
        "gannet",
        NAME,
        row(NAME)[:auth_info],
        years: 1,
        at: world.world.now
      )
    end
    world.driver.move_on(to: world.app.now + (7 * 3600))
    refute state(id).done?("order"), "nobody said that it was ordered"
  end
end
