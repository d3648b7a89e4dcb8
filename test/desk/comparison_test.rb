# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Names against destinations, by a table worked by hand: an invented price list of its own, so that
# no figure comes from the code under test.
class ComparisonTest < Minitest::Test
  include ByHand

  NAMES = %w[isles-timetable.example nightboat-saltern.example].freeze
  # account => [transfer, first renewal, later, privacy, promotion, per transaction, tax in
  # thousandths of a per cent]
  PRICES = {
    "tarnbeck" => {
      "renew" => 1500,
      "transfer" => 1500,
      "privacy" => 0
    },
    "orlop" => {
      "transfer" => 884,
      "renew" => 1200,
      "per_transaction" => 18,
      "privacy" => 100
    },
    "withy" => {
      "transfer" => 2000,
      "renew" => 1000
    },
    "hawser" => {
      "transfer" => 1000,
      "renew" => 1000,
      "promotion" => 400,
      "tax_milli_percent" => 20_000
    }
  }.freeze

  # what => [years, privacy, {destination => the sums after each year for one name}, {destination =>
  # break-even year}] Staying: 15.00 a year. Orlop: 8.84 + 0.18 = 9.02, then 12.18 a year. Withy:
  # 20.00, then 10.00: 20, 30 = 30 after two. Hawser: (10.00 − 4.00) + 20 % = 7.20, then 12.00.
  TABLE = {
    "three years" => [
      3,
      false,
      {
        "orlop" => [902, 2120, 3338],
        "withy" => [2000, 3000, 4000],
        "hawser" => [720, 1920, 3120]
      },
      { "orlop" => 1, "withy" => 2, "hawser" => 1 }
    ],
    "with privacy" => [2, true, { "orlop" => [1002, 2320] }, { "orlop" => 1 }]
  }.freeze

  def setup
    live_with("tarnbeck")
    app = world.app
    app.accounts.all.each do |account|
      own = PRICES[account.id]
      app.accounts.put(account.dup.tap { |a| a.prices = own ? { "currency" => "EUR", **own } : {} })
    end
    NAMES.each { |n| app.names.forget(n, :hand) }
    @app = app
  end

  def test_the_table
    TABLE.each do |what, (years, privacy, ahead, even)|
      found =
        SteadyMove::Desk::Batches::Comparison.new(@app).compare(
          NAMES,
          years: years,
          privacy: privacy
        )
      row = found.rows.first
      ways = row.ways.to_h { |w| [w.id, w.ahead.map(&:minor)] }
      assert_equal ahead, ways.slice(*ahead.keys), what
      assert_equal even, row.break_even.slice(*even.keys), what
    end
  end

  def test_lines_over_all_names_and_the_cheapest_for_each
    found =
      SteadyMove::Desk::Batches::Comparison.new(@app).compare([*NAMES, "nobody.example"], years: 3)
    lines = found.lines.to_h { |l| [l.id, l] }
    assert_equal(
      { "EUR" => [3000, 6000, 9000] },
      lines["stay"].ahead,
      "one that is not held is left out"
    )
    assert_equal({ "EUR" => [1804, 4240, 6676] }, lines["orlop"].ahead)
    assert_equal [%w[hawser], { "EUR" => [1440, 3840, 6240] }],
                 [found.rows.map(&:best).uniq, lines["mixed"].ahead]
    assert_equal NAMES,
                 lines["kedge"].out[:price],
                 "a destination without a price list is told, not counted"
  end

  def test_what_can_not_be_taken_stays_in_the_sum_at_the_price_to_stay
    habits = @app.accounts.find("hawser").habits.merge("suffixes" => %w[other])
    @app.accounts.keep_habits(@app.accounts.find("hawser"), habits)
    found = SteadyMove::Desk::Batches::Comparison.new(@app).compare(NAMES, years: 1)
    hawser = found.lines.find { |l| l.id == "hawser" }
    assert_equal [0, NAMES, { "EUR" => [3000] }], [hawser.goes, hawser.out[:suffix], hawser.ahead]
  end

  # Facts of a name, or what is set => [the cheapest way, the sum to stay after a year, currency].
  # In pounds at 0.50 the 15.00 EUR to stay are 7.50; a currency without a rate stays as it is.
  RATES = { "to" => "GBP", "date" => "2027-03-01" }.freeze
  CASES = {
    {} => ["hawser", 1500, "EUR"],
    { stay_price: { "minor" => 600, "currency" => "EUR" } } => [nil, 600, "EUR"],
    { premium: true } => [nil, 1500, "EUR"],
    { rates: { "EUR" => "0.50" } } => ["hawser", 750, "GBP"],
    { rates: { "USD" => "0.80" } } => ["hawser", 1500, "EUR"],
    { nowhere: true } => [nil, nil, nil]
  }.freeze

  def test_what_else_decides
    CASES.each do |given, (best, minor, currency)|
      @app.settings.set("rates", given[:rates] && { **RATES, **given[:rates] }, at: @app.now)
      no_prices_at("tarnbeck") if given[:nowhere]
      known = given.slice(:stay_price, :premium)
      @app.names.learn(NAMES.first, facts(source: :hand, **known)) if known.any?
      found = SteadyMove::Desk::Batches::Comparison.new(@app).compare(NAMES.first(1), years: 1)
      stays = found.rows.first.stay.first
      row = [found.rows.first.best, stays&.minor, stays&.currency]
      assert_equal [best, minor, currency], row, given.inspect
      assert_equal NAMES.first(1), found.lines[1].out.values.first, "premium" if given[:premium]
      @app.names.forget(NAMES.first, :hand)
    end
  end

  def no_prices_at(id)
    @app.accounts.put(@app.accounts.find(id).dup.tap { |a| a.prices = {} })
  end
end
