# frozen_string_literal: true

require_relative "../test_helper"

class SmallThingsTest < Minitest::Test
  Money = Core::Money

  # price => [total, saved against a renewal of 15.00]; the first row and its hundredfold: rules of
  # the job §4.
  QUOTES = [
    [{ "transfer" => 884, "per_transaction" => 18 }, 902, 598],
    [{ "transfer" => 1000, "promotion" => 200, "tax_milli_percent" => 19_000 }, 952, 548],
    [{ "transfer" => 999, "tax_milli_percent" => 7_500 }, 1074, 426]
  ].freeze

  def quote(price, stay)
    here = Money::Quoting.staying(Money::Prices.of(stay))
    Money::Quoting.quote(Money::Prices.of(price), stay: here)
  end

  def test_quotes
    QUOTES.each do |price, total, saves|
      quote = quote(price.merge("currency" => "EUR"), { "currency" => "EUR", "renew" => 1500 })
      assert_equal [total, saves], [quote.total.minor, quote.saves.minor], price
    end
    assert_equal 59_800, (Money::Amount.new(598, "EUR") * 100).minor
  end

  # What a price lacks; a price of nothing is one, none is not.
  def test_what_is_not_known_is_never_zero
    [
      {},
      { "currency" => "EUR" },
      { "transfer" => 900 },
      { "currency" => "EUR", "renew" => 900 }
    ].each do |price|
      quote = quote(price, { "currency" => "EUR", "renew" => 1500 })
      assert_equal [nil, nil, nil], [quote.fee, quote.total, quote.saves], price.inspect
    end
    free = quote({ "currency" => "EUR", "transfer" => 0 }, { "currency" => "EUR" })
    assert_equal [0, nil], [free.total.minor, free.saves]
  end

  def test_currencies_are_never_summed_or_compared
    assert_raises(ArgumentError) { Money::Amount.new(1, "EUR") + Money::Amount.new(1, "USD") }
    dollars = { "currency" => "USD", "renew" => 2 }
    assert_nil quote({ "currency" => "EUR", "transfer" => 1 }, dollars).saves
  end

  # seconds => words
  SPOKEN = {
    60 => "1 minute",
    900 => "15 minutes",
    3600 => "1 hour",
    5400 => "1.5 hours",
    14_400 => "4 hours",
    86_400 => "1 day",
    129_600 => "1.5 days",
    432_000 => "5 days",
    30 => "0.5 minutes"
  }.freeze

  def test_lengths_of_time_in_words
    SPOKEN.each { |seconds, words| assert_equal words, said(SteadyMove::Words.span(seconds)) }
  end

  # code => how many warnings
  CODES = { "Qw8!kz2p" => 0, " Qw8!kz2p" => 1, "abc" => 1, "x" * 65 => 1, "Qw8kz2pä" => 1 }.freeze

  def test_codes_are_looked_at_and_never_changed
    CODES.each { |code, count| assert_equal count, Core::Codes::Code.warnings(code).size, code }
    assert_equal 1, Core::Codes::Code.warnings("Qw8kz20p", typed: true).size
  end

  # key, value, source => the day that was told alone, and which end of it is assumed (rules of the
  # job §1)
  DAYS = [
    [:expires_at, Time.utc(2027, 9, 1), :hand, %w[2027-09-01 start]],
    [:registrant_changed_at, Time.utc(2027, 2, 10), :hand, %w[2027-02-09 end]],
    [:expires_at, Time.utc(2027, 9, 1, 14, 5), :hand, nil],
    [:expires_at, Time.utc(2027, 9, 1), :public_record, nil],
    [:paid, true, :hand, nil]
  ].freeze

  def test_a_day_alone_stays_a_day
    DAYS.each do |key, value, source, day|
      told = Core::Readiness::Fact.new(key: key, value: value, source: source).day
      day ? assert_equal(day, told, key) : assert_nil(told, key)
    end
  end
end
