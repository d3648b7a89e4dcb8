# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/some_batches"

# Batches lived through in a practice world: reviewed, limited, started wave by wave, halted,
# closed.
class BatchesTest < Minitest::Test
  include ByHand
  include SomeBatches

  def setup = live_with("tarnbeck")
  def app = world.app

  def test_the_review_says_everything_once
    id, left = batches.make([*NAMES, "nobody.example"], by: ADA, to: "orlop")
    assert_match(/nobody.example/, left.join)
    found = review(id)
    assert_equal NAMES.sort, found.able.map(&:name).sort
    assert_equal [1, 2], found.waves.map { |w| w.names.size }, "one on trial first"
    cases = found.risks.flat_map(&:cases)
    told = cases.map(&:first)
    assert_equal told.uniq, told, "every caution once"
    assert(cases.all? { |_, names| names.any? })
    order = %w[lost held money known]
    assert_equal found.risks.map(&:harm).sort_by { |h| order.index(h) }, found.risks.map(&:harm)
    assert_equal [found.rows.filter_map(&:total).sum(&:minor)], found.total.map(&:minor)
    assert_equal 3, found.range.size
    assert(found.asks.any? { |a| a.names.size == 3 && a.says.match?(/each name/) })
  end

  def test_one_on_trial_then_the_rest_each_order_once
    id, = batches.make(NAMES, by: ADA, to: "orlop")
    assert_equal "running", begin_batch(id)
    first = members(id).values.find(&:move_id)
    assert_equal 1, app.moves.open_count
    world.until_true(most: 300, what: "the trial's end") do
      !world.move(first.move_id).open || app.moves.open_count > 1
    end
    world.until_true(most: 20, what: "the rest") { members(id).values.all?(&:move_id) }
    assert world.move(first.move_id).state.landed?
    world.runner.pass
    assert_equal NAMES.sort, app.moves.all.map(&:name).sort, "none twice"
    refused(/still moving/) { batches.close(id, by: ADA) }
    world.until_true(most: 600, what: "the end") { app.moves.open.empty? }
    batches.close(id, by: ADA)
    assert_equal(
      %w[closed names started made] - %w[names],
      app
        .journal
        .numbered(app.batches.lines(id, 50))
        .select { |e| e.type == "batch" }
        .map { |e| e.phrase.key.split(".").last }
    )
  end

  def test_a_trial_that_does_not_land_halts_the_rest
    id, = batches.make(NAMES, by: ADA, to: "orlop")
    begin_batch(id)
    first = members(id).values.find(&:move_id)
    world.orders.call_off(first.move_id, by: ADA)
    world.until_true(most: 200, what: "the halt") { batches.find(id).state == "halted" }
    assert_equal 1, members(id).values.count(&:move_id)
    batches.go_on(id, by: ADA)
    world.runner.pass
    assert_equal 3, members(id).values.count(&:move_id), "a person let the rest go"
    world.until_true(most: 100, what: "it is safe again") { !world.move(first.move_id).open }
    batches.change_names(id, by: ADA, go_on: [first.name])
    world.runner.pass
    refute_includes [first.move_id, nil], members(id)[first.name].move_id, "it is tried again"
  end

  def test_above_a_limit_a_second_person_agrees
    limit = { "minor" => 1000, "currency" => "EUR" }
    id = made(limit: limit)
    assert_match(/above this batch’s limit of 10.00 EUR/, review(id, by: ADA).above.join)
    assert_equal "asked", begin_batch(id)
    assert_empty app.moves.open
    refused(/second person/) { batches.approve(id, by: ADA) }
    batches.change(id, by: ADA, per_day: 5)
    refused(/Nobody has asked/) { batches.approve(id, by: BEN) } # what was asked for is another plan now
    assert_equal "asked", begin_batch(id)
    batches.approve(id, by: BEN)
    world.runner.pass
    assert_equal 3, app.moves.open_count
    assert_equal([BEN, ADA], batches.find(id).then { |b| [b.approved_by, b.asked_by] })
  end

  def spending = SteadyMove::Desk::Planning::Spending.new(app)
  def limit(minor, currency = "EUR", of: ADA, by: BEN)
    id = app.db[:people].where(email: of).get(:id)
    spending.limit_person(id, minor && Core::Money::Amount.new(minor, currency), by: by)
  end

  def test_a_persons_limit_and_what_can_not_be_set_against_it
    id = made
    {
      [500, "EUR"] => /above your own limit of 5.00 EUR/,
      [99_999, "EUR"] => nil,
      [99_999, "GBP"] => /can’t be set against your own limit/
    }.each do |amount, expected|
      limit(*amount)
      above = review(id, by: ADA).above
      expected ? assert_match(expected, above.join) : assert_empty(above)
    end
  end

  # Whatever way it goes: one by one, as a batch, put into a batch that runs.
  def test_a_persons_limit_holds_over_all_that_they_start
    one, two, three = NAMES
    each = world.plan(one, to: "orlop").total.minor
    limit((2 * each) + 1)
    first = world.start(one, to: "orlop", by: ADA)
    batch = made([two])
    assert_equal "running", begin_batch(batch)
    refused(/in 30 days is above your own limit.*make a batch/i) do
      world.start(three, to: "orlop", by: ADA)
    end
    batches.change_names(batch, by: ADA, add: [three])
    refused(/in 30 days is above.*Make another batch/) { begin_batch(batch) }
    batches.change_names(batch, by: ADA, drop: [three])
    world.orders.call_off(first, by: ADA)
    world.until_true(most: 100, what: "it came to nothing") { !world.move(first).open }
    world.start(three, to: "orlop", by: ADA)
    assert_equal 2, app.moves.open_count, "what came to nothing cost nothing"
    limit(1)
    refused(/above your own limit/) { world.start(one, to: "orlop", by: ADA) }
    world.driver.move_on(to: app.now + (31 * 86_400))
    assert_equal [], spending.spent_by(ADA).map(&:to_s) - ["9.02 EUR"], "a period is over"
  end

  # What waits in a batch for its wave is pledged, also while the batch is halted.
  def test_what_waits_in_a_halted_batch_counts
    one, two, three = NAMES
    limit((2 * world.plan(one, to: "orlop").total.minor) + 1)
    batch = made([two, three], per_day: 1)
    begin_batch(batch)
    assert_equal 1, app.moves.open_count
    batches.halt(batch, by: ADA)
    refused(/above your own limit/) { world.start(one, to: "orlop", by: ADA) }
    batches.change_names(batch, by: ADA, drop: members(batch).values.select(&:waiting?).map(&:name))
    assert world.start(one, to: "orlop", by: ADA)
  end

  def test_a_batch_s_limit_holds_for_all_of_it_and_nobody_raises_it_for_themselves
    one, two, = NAMES
    each = world.plan(one, to: "orlop").total.minor
    id = made([one], limit: { "minor" => each + 1, "currency" => "EUR" })
    assert_equal "running", begin_batch(id)
    batches.change_names(id, by: ADA, add: [two])
    refused(/in all is above this batch’s limit/) { begin_batch(id) } # the first one counts
    higher = { "minor" => 3 * each, "currency" => "EUR" }
    app.db[:people].where(email: ADA).update(role: "mover")
    [higher, nil, higher.merge("currency" => "GBP")].each do |raised|
      refused(/Only an approver/) { batches.change(id, by: ADA, limit: raised) }
    end
    batches.change(id, by: ADA, limit: { "minor" => each, "currency" => "EUR" })
    app.db[:people].where(email: ADA).update(role: "administrator")
    batches.change(id, by: ADA, limit: higher)
    assert_match(/raised this batch’s limit/, review(id, by: ADA).above.join)
    refused(/does not start it alone/) { begin_batch(id) }
    refused(/Nobody raises their own limit/) do
      limit(1, by: BEN)
      limit(2, by: ADA)
    end
    limit(0, by: ADA)
  end

  def test_what_changed_since_it_was_shown_does_not_start
    id = made
    shown = review(id).total
    batches.change_names(id, by: ADA, drop: [NAMES.last])
    refused(/changed since it was shown/) { batches.start(id, by: ADA, shown: shown) }
    begin_batch(id)
    assert_equal 2, app.moves.open_count
    batches.change_names(id, by: ADA, add: [NAMES.last])
    world.runner.pass
    assert_equal 2, app.moves.open_count, "nobody has seen what it costs"
    begin_batch(id)
    assert_equal 3, app.moves.open_count, "put in while others run"
  end

  def test_a_dearer_price_holds_a_name_back
    id = made(per_day: 1)
    begin_batch(id)
    price("transfer" => 99_900)
    world.driver.move_on(to: app.now + 86_400)
    held = members(id).values.select { |m| m.state == "held" }
    assert_equal [2, true], [held.size, held.all? { |m| m.says.match?(/not what was agreed/) }]
    batches.change_names(id, by: ADA, go_on: held.map(&:name))
    assert_equal "in", members(id)[held.first.name].state
  end
end
