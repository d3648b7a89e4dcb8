# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# What was shown and agreed to goes with the order to start: where it is another by then, nothing is
# started.
class AgreedTest < Minitest::Test
  include SignedIn

  NAME = "isles-timetable.example"

  def proposed = send_to("/api/proposals", name: NAME, to: "orlop") && answer
  def start(**more) = send_to("/api/moves", name: NAME, to: "orlop", **more)

  def test_another_price_is_refused_and_nothing_is_started
    sign_in
    price = proposed["quote"]["total"]
    orlop = world.app.accounts.find("orlop")
    world.app.accounts.put(
      orlop.dup.tap { |a| a.prices = a.prices.merge("transfer" => a.prices["transfer"] + 100) }
    )
    [price, { "minor" => price["minor"], "currency" => "USD" }, nil].each do |given|
      assert_equal 409, start(price: given), given.inspect
      assert_match(
        /The plan changed: #{NAME} would now cost 10\.02 EUR.*Read it again/,
        answer["detail"]
      )
    end
    assert_equal 0, world.app.moves.open_count
    assert_equal 201, start(price: proposed["quote"]["total"])
  end

  def test_a_price_that_nobody_knows_is_agreed_to_as_that
    sign_in
    orlop = world.app.accounts.find("orlop")
    world.app.accounts.put(orlop.dup.tap { |a| a.prices = {} })
    assert_nil proposed["quote"]["total"]
    world.app.accounts.put(orlop)
    assert_equal 409, start(price: nil), "since then there is one"
    assert_equal 201, start, "a program that sends none takes what there is"
  end

  def test_the_plan_says_how_many_paid_days_are_lost
    sign_in
    assert_equal 0, proposed["lost_days"]
    late = Core::Expiry.add_years(world.app.now, 9) + (100 * 86_400)
    told =
      %i[account public_record].map do |source|
        Core::Readiness::Fact.new(
          key: :expires_at,
          value: late,
          source: source,
          seen_at: world.app.now,
          ref: "x"
        )
      end
    world.app.names.learn(NAME, told)
    assert_equal 100, proposed["lost_days"]
    assert_equal Core::Expiry.add_years(world.app.now, 10).iso8601, answer["expected_expiry"]
  end
end
