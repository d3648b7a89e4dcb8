# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# What privacy costs at the destination is in what a plan asks for, and in a person's limit; a price
# that nobody noted is not nothing.
class PrivacyPriceTest < Minitest::Test
  include ByHand

  HIDDEN = "kelp-sound-hire.example"
  SHOWN = "slipway.example"

  def setup
    live_with("millrace")
    @plain = price(0).quote.total.minor
  end

  # Of a plan, with this price of privacy at the destination.
  def price(privacy, name: HIDDEN, **more)
    account = world.app.accounts.find("orlop").dup
    account.prices = account.prices.except("privacy").merge({ "privacy" => privacy }.compact)
    world.app.accounts.put(account)
    world.plan(name, to: "orlop", **more)
  end

  def cautions(plan) = plan.told.map(&:key)

  def test_what_privacy_costs_is_in_the_total
    dear = price(300)
    assert_equal @plain + 300, dear.total.minor
    assert_equal @plain + 300, dear.plan.price.amount.minor, "what has to be seen before paying"
    refute_includes cautions(dear), "privacy-price"
    assert_equal @plain, price(300, aims: { "privacy" => "off" }).total.minor, "not wanted there"
    assert_equal @plain, price(300, name: SHOWN).total.minor, "none stands in now"
    wanted = price(300, name: SHOWN, aims: { "privacy" => "on" })
    assert_equal @plain + 300, wanted.total.minor
  end

  def test_a_price_that_nobody_noted_is_not_nothing
    plan = price(nil)
    assert_equal [@plain, true], [plan.total.minor, plan.quote.without.include?(:privacy)]
    assert_includes cautions(plan), "privacy-price"
    assert_match(/is not in the sum/, plan.cautions.join)
    refute_includes cautions(price(nil, name: SHOWN)), "privacy-price"
    refute_includes cautions(price(0)), "privacy-price"
  end

  # Like is compared with like: where the present registrar's price of privacy is not known, nobody
  # says what is saved.
  def test_what_is_saved_has_privacy_on_both_sides
    account = world.app.accounts.find("millrace").dup
    none, some =
      [nil, 200].map do |privacy|
        account.prices = account.prices.except("privacy").merge({ "privacy" => privacy }.compact)
        world.app.accounts.put(account)
        price(300).quote
      end
    assert_equal [nil, nil, [:stay_privacy]], [none.stay, none.saves, none.without]
    assert_equal [[], some.stay.minor - some.total.minor], [some.without, some.saves.minor]
    before = account.prices.slice("renew", "per_transaction").values.sum
    assert_equal before + 200, some.stay.minor
  end

  # A year that is bought first costs a year, however many the move buys.
  def test_a_renewal_before_the_move_is_one_year
    set = ->(years) { price(0, late: "renew", aims: { "years" => years }).renewal&.minor }
    refute_nil set.call(1)
    assert_equal set.call(1), set.call(3)
  end
end
