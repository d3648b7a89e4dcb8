# frozen_string_literal: true

require_relative "../test_helper"
require "json"
require "open3"

# Digits of currencies against the ISO 4217 table that Node's Intl carries (ECMA-402 §15.1.1, ICU
# data). Where ICU follows use in shops and not the standard, the standard holds here, and the
# currency is named.
class MoneyStandardsTest < Minitest::Test
  Currency = SteadyMove::Core::Money::Currency
  BY_USE = %w[IQD].freeze # ISO 4217: three; ICU: none

  NODE = <<~JS
    const digits = (c) => new Intl.NumberFormat("en", { style: "currency", currency: c }).resolvedOptions()
      .maximumFractionDigits;
    console.log(JSON.stringify(Object.fromEntries(Intl.supportedValuesOf("currency").map((c) => [c, digits(c)]))));
  JS

  def test_digits_of_every_currency_that_is_not_two
    out, = Open3.capture2("node", "-e", NODE)
    theirs = JSON.parse(out)
    ours = Currency::NONE + Currency::THREE + Currency::FOUR + %w[EUR USD GBP CHF SEK] - BY_USE
    (ours & theirs.keys).each { |code| assert_equal theirs[code], Currency.digits(code), code }
    assert_operator (ours & theirs.keys).size, :>, 20
  end

  # [minor units, currency] => decimal number
  DECIMAL = {
    [0, "EUR"] => "0.00",
    [7, "EUR"] => "0.07",
    [-1450, "EUR"] => "-14.50",
    [123, "JPY"] => "123",
    [-5, "KWD"] => "-0.005",
    [10_000, "BHD"] => "10.000"
  }.freeze

  def test_amounts_as_decimal_numbers
    DECIMAL.each { |given, text| assert_equal text, Currency.decimal(*given) }
  end
end
