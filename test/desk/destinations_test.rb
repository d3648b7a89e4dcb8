# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/some_batches"

# Is a destination ready, what does it cost beside others, and what is learnt of it on the way.
class DestinationsTest < Minitest::Test
  include ByHand
  include SomeBatches

  def checks = SteadyMove::Desk::Accounts::DestinationChecks.new(world.app)
  def euros(minor) = Core::Money::Amount.new(minor, "EUR")
  def of(id, **more) = checks.run(world.app.accounts.find(id), **more).to_h { |c| [c.key, c.is] }

  # What nobody looked at is not known: neither yes nor no, and it stops nothing.
  def test_unknown_stops_nothing_and_no_stops_it_before_the_losing_side_is_touched
    live_with("millrace")
    assert_equal(
      { "method" => nil, "billing" => nil, "profile" => nil, "terms" => nil },
      of("kedge")
    )
    assert_equal(
      { "balance" => nil, "billing" => nil, "profile" => nil, "terms" => true },
      of("withy"),
      "seen before"
    )
    name = "slipway.example"
    assert_empty world.plan(name, to: "withy").refusals
    checks.note("withy", "profile", is: false, by: ADA)
    assert_match(
      /contact profile at Withy Point Domains is not complete/,
      world.plan(name, to: "withy").refusals.join
    )
    checks.note("withy", "profile", suffix: "example", is: true, by: ADA)
    assert_empty world.plan(name, to: "withy").refusals, "of this suffix it is complete"
    checks.note("withy", "billing", is: false, by: ADA)
    assert_raises(SteadyMove::Desk::Refused) { world.start(name, to: "withy") }
    checks.note("withy", "billing", by: ADA)
    assert_nil of("withy")["billing"], "taken back"
  end

  # A balance has to cover all that is under way and all that is planned together.
  def test_a_balance_against_the_total
    live_with("millrace")
    checks.note("withy", "balance", balance: euros(2000), by: ADA)
    names = %w[slipway.example kelpsound.example kelp-sound-hire.example]
    rows = proposed(names, to: "withy")
    assert_equal [true, true, false], rows.map(&:startable)
    assert_match(
      /20.00 EUR; 20.00 EUR of it is free, which does not cover 27.00 EUR/,
      rows.last.says.join
    )
    batch = batches.make(names, to: "withy", by: ADA, trial: false).first
    batches.start(batch, by: ADA, shown: SteadyMove::Desk::Batches::Batch.sums(rows)[:total])
    world.runner.pass
    assert_equal(%w[held in in], world.app.batches.members(batch).map(&:state).sort)
    assert_equal 1800,
                 checks.committed(
                   world.app.accounts.find("withy"),
                   "EUR",
                   since: world.app.now
                 ).minor
    assert_match(/looked|noted/, world.app.journal.page(limit: 50).map(&:says).join)
  end

  # What an order took is gone, also once its move is over, until somebody notes what is left.
  def test_a_balance_less_what_was_ordered_since
    live_with("tarnbeck")
    orlop = world.app.accounts.find("orlop")
    world.app.accounts.put(orlop.dup.tap { |a| a.habits = a.habits.merge("paid_by" => "balance") })
    enough = -> { of("orlop", total: euros(902))["balance"] }
    checks.note("orlop", "balance", balance: euros(1000), by: ADA)
    assert enough.call
    id = world.start("isles-timetable.example", to: "orlop")
    refute enough.call, "it is under way"
    world.until_true(most: 300, what: "ordered") { state(id).with_trait(:orders).done? }
    refute enough.call, "it is ordered"
    world.until_true(most: 300, what: "the end") { !world.move(id).open }
    refute enough.call, "it is over"
    other = world.plan("nightboat-saltern.example", to: "orlop")
    assert_match(/10\.00 EUR; 0\.98 EUR of it is free/, other.refusals.join)
    checks.note("orlop", "balance", balance: euros(1000), by: ADA)
    assert enough.call, "seen since"
  end

  def test_prices_side_by_side
    live_with("millrace")
    compare = SteadyMove::Desk::Planning::PriceComparison.new(world.app)
    rows = compare.compare("slipway.example")
    assert_equal(
      ["millrace", true, [1275, 2550, 3825]],
      rows.first.then { |r| [r.account_id, r.staying, r.ahead.map(&:minor)] }
    )
    hawser = rows.find { |r| r.account_id == "hawser" }
    assert_equal [660, "SPRING-27", "2027-03-31"],
                 [hawser.ahead.first.minor, hawser.promotion, hawser.promotion_until]
    assert_empty rows.flat_map(&:converted)
    world.app.settings.set(
      "rates",
      { "to" => "EUR", "date" => "2027-03-01", "GBP" => "1.2" },
      at: world.app.now
    )
    kedge = compare.compare("slipway.example").find { |r| r.account_id == "kedge" }
    assert_equal(
      [["GBP", 760], ["EUR", 912]],
      [kedge.ahead.first, kedge.converted.first].map { |a| [a.currency, a.minor] }
    )
    refute_includes compare.compare("seal-bay-trips.isl.test").map(&:account_id),
                    "withy",
                    "it does not take the suffix"
  end

  # Where it is, in the person's own words; and a code that came later than noted is offered to be
  # kept.
  def test_what_is_learnt_is_kept_for_the_next_time
    live_with("millrace")
    habits = SteadyMove::Desk::Accounts::Habits.new(world.app)
    id = start("slipway.example")
    habits.put_where("millrace", "unlock", "Settings, far right, third tab", by: ADA)
    assert_equal "Settings, far right, third tab", told(id, "unlock").hand.found
    assert_empty habits.learnt("millrace")
    until_step(id, "ask-code")
    say(id, "ask-code")
    world.driver.move_on(to: world.app.now + (26 * 3600))
    do_it(id, "ask-code", "code")
    world.until_true { state(id).done?("get-code") }
    offered = habits.learnt("millrace")
    assert_match(/came after 1.1 days/, offered.map(&:says).join)
    habits.keep_learnt("millrace", "code_takes", by: ADA)
    assert_operator world.app.accounts.find("millrace").habits["code_takes"].last, :>, 26 * 3600
    assert_empty habits.learnt("millrace")
    habits.asks("millrace", "factor", by: ADA)
    assert_equal "factor", world.app.accounts.find("millrace").habits["code_guard"]
  end
end
