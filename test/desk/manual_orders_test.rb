# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/outside"

# An order that a person places at the destination's pages: what it may cost, and what a refusal
# there does.
class ManualOrdersTest < Minitest::Test
  include Outside

  NAMES = %w[isles-timetable.example nightboat-saltern.example].freeze

  def refused(match, &) = assert_match(match, assert_raises(SteadyMove::Desk::Refused, &).message)
  def euros(minor, currency = "EUR") = Core::Money::Amount.new(minor, currency)

  # Two names whose orders are due.
  def due
    live_with("tarnbeck")
    @ids = NAMES.map { |name| world.start(name, to: "hawser") }
    world.runner.pass
    @ids.each { |id| until_step(id, "order") }
    @planned = @ids.sum { |id| world.move(id).plan.price.amount.minor }
  end

  def ordered(**told) = order_desk.ordered(@ids.map { |id| [id, "order"] }, by: ADA, **told)

  def test_what_was_charged_is_set_against_what_was_planned
    due
    refused(/#{format("%.2f", (@planned + 1) / 100.0)}/) { ordered(charged: euros(@planned + 1)) }
    refused(/GBP/) { ordered(charged: euros(@planned, "GBP")) }
    ordered(charged: euros(@planned), number: " H-7 ")
    said = world.move(@ids.first).events.reverse.find { |e| e.type == "said" }
    assert_equal ["H-7", 2], said.data.values_at("order_number", "names")
    assert_equal @planned, said.data["charged"]["minor"]
  end

  def test_another_price_that_somebody_saw
    due
    ordered(charged: euros(@planned + 500), accept_price: true)
    assert(@ids.all? { |id| state(id).begun_at("order") })
  end

  # Without a price there is nothing to compare.
  def test_a_name_without_a_price
    live_with("tarnbeck")
    account = world.app.accounts.find("hawser")
    world.app.accounts.put(account.dup.tap { |a| a.prices = {} })
    @ids = [world.start(NAMES.first, to: "hawser", price: nil)]
    until_step(@ids.first, "order")
    line = order_desk.lines("hawser").first
    assert_equal [nil, nil, nil], [line.price, line.promotion, line.promotion_until]
    ordered(charged: euros(1))
    assert state(@ids.first).begun_at("order")
  end

  # Why the gaining side refuses => [step that is done anew, is it a person's turn].
  REFUSED = {
    "locked" => ["lock-gone", false],
    "code" => ["get-code", false],
    "payment" => [nil, true],
    "other" => [nil, true]
  }.freeze

  def test_what_a_refusal_does
    due
    id = @ids.first
    refused(/locked.*other/m) { order_desk.refused(id, why: "weather", by: ADA) }
    refused(/99/) { order_desk.refused(99, why: "code", by: ADA) }
    REFUSED.each do |why, (anew, yours)|
      until_step(id, "order")
      order_desk.refused(id, why: why, by: ADA, words: " no ")
      last = world.move(id).events.last
      assert_equal [anew || "order", anew ? "reopened" : "problem"], [last.step, last.type], why
      assert_equal yours, last.data["yours"] == true, why
      assert_match(/no/, last.says)
      world.runner.pass
    end
  end
end
