# frozen_string_literal: true

require_relative "../test_helper"

# Prices by suffix, years ahead, promotions, currencies. Check values: rules of the job §4 (8.84 +
# 0.18 = 9.02).
class PricesTest < Minitest::Test
  M = Core::Money
  ROW = { "currency" => "EUR", "renew" => 1500, "transfer" => 884, "per_transaction" => 18 }.freeze

  def prices(row = ROW) = M::Prices.of(row)

  # What is noted in another currency has nothing to do with the account's fee and tax.
  def test_a_noted_renewal
    [
      [M::Amount.new(1000, "EUR"), "10.18 EUR"],
      [M::Amount.new(1000, "GBP"), "10.00 GBP"]
    ].each do |noted, year|
      assert_equal year,
                   M::Quoting.ahead(prices.with_renewal(noted), years: 1, moving: false).last.to_s
    end
  end

  # prices, suffix => a value that holds
  LISTS = [
    [{ "renew" => 900, "suffixes" => { "org" => { "renew" => 1100 } } }, "org", "renew", 1100],
    [{ "renew" => 900, "suffixes" => { "org" => { "renew" => 1100 } } }, "net", "renew", 900],
    [
      { "currency" => "EUR", "transfer" => 5, "suffixes" => { "org" => { "renew" => 1 } } },
      "org",
      "transfer",
      5
    ],
    [
      {
        "currency" => "EUR",
        "transfer" => 5,
        "suffixes" => {
          "org" => {
            "currency" => "GBP",
            "renew" => 1
          }
        }
      },
      "org",
      "transfer",
      nil
    ]
  ].freeze

  def test_a_suffix_has_its_own_row
    LISTS.each do |prices, suffix, key, value|
      found = M::Prices.for_suffix({ "currency" => "EUR" }.merge(prices), suffix)
      assert_equal [value], [found[key]&.minor]
    end
  end

  def test_years_ahead
    assert_equal [902, 2420], M::Quoting.ahead(prices, years: 2).map(&:minor)
    assert_equal [1518, 3036], M::Quoting.ahead(prices, years: 2, moving: false).map(&:minor)
    dear = ROW.merge("renew_later" => 2000, "privacy" => 300, "tax_milli_percent" => 20_000)
    assert_equal [902 + 180, 902 + 180 + 2018 + 404],
                 M::Quoting.ahead(prices(dear), years: 2).map(&:minor)
    assert_equal 1082 + 360, M::Quoting.ahead(prices(dear), years: 1, privacy: true).first.minor
    assert_empty M::Quoting.ahead(prices, years: 1, privacy: true), "nobody named its price"
    assert_empty M::Quoting.ahead(prices({ "currency" => "EUR", "renew" => 5 }), years: 2)
    assert_equal 884 + 1500 + 18, M::Quoting.quote(prices, years: 2).total.minor
  end

  # More than ROW, years => what privacy costs, tax, total, what the total is without.
  WITH_PRIVACY = [
    [{ "privacy" => 300 }, 1, 300, 0, 1202, []],
    [{ "privacy" => 300 }, 2, 600, 0, 884 + 1500 + 18 + 600, []],
    [{ "privacy" => 0 }, 1, 0, 0, 902, []],
    [{ "privacy" => 300, "tax_milli_percent" => 20_000 }, 1, 300, 240, 1442, []],
    [{}, 1, nil, 0, 902, [:privacy]]
  ].freeze

  def test_privacy_is_in_the_total_on_both_sides
    WITH_PRIVACY.each do |more, years, *expected|
      quote = M::Quoting.quote(prices(ROW.merge(more)), years: years, privacy: true)
      found = [quote.privacy&.minor, quote.tax.minor, quote.total.minor, quote.without]
      assert_equal expected, found, more.inspect
    end
    plain = M::Quoting.quote(prices(ROW.merge("privacy" => 300)))
    assert_equal [nil, 902, []], [plain.privacy, plain.total.minor, plain.without]
    dear = prices(ROW.merge("privacy" => 300, "tax_milli_percent" => 20_000))
    stays = [false, true].map { |hidden| M::Quoting.staying(dear, privacy: hidden).minor }
    assert_equal 360, stays.last - stays.first
    assert_nil M::Quoting.staying(prices, privacy: true), "nobody named its price"
  end

  # last day, on => is it less?
  PROMOTIONS = [
    ["2027-03-31", "2027-03-31T23:59:59Z", true],
    ["2027-03-31", "2027-04-01T00:00:00Z", false],
    [nil, "2030-01-01T00:00:00Z", true]
  ].freeze

  def test_a_promotion_holds_to_the_end_of_its_last_day
    PROMOTIONS.each do |ends, on, less|
      row = ROW.merge("promotion" => 200, "promotion_until" => ends).compact
      assert_equal less ? 702 : 902,
                   M::Quoting.quote(prices(row), on: utc(on)).total.minor,
                   [ends, on].inspect
    end
  end

  # amount, rate => in EUR; half up
  RATES = [
    [[1000, "GBP"], "1.17", 1170],
    [[150, "JPY"], "0.0062", 93],
    [[5, "GBP"], "1.1", 6],
    [[1, "EUR"], "9", 1]
  ].freeze

  def test_currencies_beside_each_other
    RATES.each do |(minor, currency), rate, expected|
      rates = M::Conversion::Rates.new(to: "EUR", rates: { currency => rate }, date: "2027-03-01")
      assert_equal expected, M::Conversion.convert(M::Amount.new(minor, currency), rates).minor
    end
    none = M::Conversion::Rates.new(to: "EUR", rates: {}, date: "2027-03-01")
    assert_nil M::Conversion.convert(M::Amount.new(1, "USD"), none)
  end
end
