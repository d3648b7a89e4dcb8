# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/some_batches"

# What a batch costs on the day of each wave, and what it tells people when it can't go on by
# itself.
class BatchPricesTest < Minitest::Test
  include ByHand
  include SomeBatches

  def setup = live_with("tarnbeck")
  def app = world.app

  # A promotion ends between two waves: what starts later is priced as it will be then, the review
  # says what that costs, and nothing is held back for it.
  def test_each_wave_is_priced_on_its_own_day
    plain = app.accounts.find("orlop").prices["transfer"]
    price("promotion" => 300, "promotion_until" => app.now.strftime("%Y-%m-%d"))
    id = made(per_day: 1)
    found = review(id)
    sums = found.rows.map { |r| r.total.minor }.sort
    assert_equal 300, sums.last - sums.first, sums.inspect
    assert_equal 1, sums.count(sums.first), "only the first day's"
    assert_operator sums.last, :>=, plain
    ends = found.risks.find { |r| r.key == "promotion-ends" }
    assert_equal ["money", 2], [ends.harm, ends.count]
    says = ends.cases.first.first
    assert_match(/to the end of 1 Mar 2027; 2 names .* 6\.00 EUR more in all/, says)
    begin_batch(id)
    world.until_true(most: 200, what: "all have begun") { members(id).values.all?(&:move_id) }
    assert_empty members(id).values.filter_map(&:says)
  end

  # What goes on only when a person does something is told: to whoever may.
  def test_a_batch_that_waits_for_a_person
    waiting = -> { SteadyMove::Desk::Batches::Waiting.new(app).list }
    id = made(limit: { "minor" => 1000, "currency" => "EUR" })
    assert_empty waiting.call
    begin_batch(id)
    assert_equal([["asked", "approver", ADA]], waiting.call.map { |w| [w.kind, w.least, w.not_by] })
    batches.approve(id, by: BEN)
    assert_empty waiting.call
    batches.halt(id, by: ADA)
    assert_equal([%w[halted mover]], waiting.call.map { |w| [w.kind, w.least] })
    batches.go_on(id, by: ADA)
    plain = app.accounts.find("orlop").prices["transfer"]
    price("transfer" => plain + 500)
    world.runner.pass
    assert_equal([["held", 3]], waiting.call.map { |w| [w.kind, w.names.size] })
    assert_match(/not what was agreed/, waiting.call.first.says)
    told = SteadyMove::Desk::Automation::Notices.new(app).send(:items).select(&:path)
    assert_equal ["/batches/#{id}"], told.map(&:path)
    price("transfer" => plain)
    batches.change_names(id, by: ADA, go_on: NAMES)
    assert_empty waiting.call
  end

  # Cheaper than agreed starts; dearer never does.
  def test_a_batch_starts_what_became_cheaper
    id = made(per_day: 1)
    begin_batch(id)
    price("transfer" => app.accounts.find("orlop").prices["transfer"] - 100)
    world.until_true(most: 200, what: "all have begun") { members(id).values.all?(&:move_id) }
    assert_equal 3, app.moves.all.size
  end
end
