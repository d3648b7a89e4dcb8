# frozen_string_literal: true

require_relative "../test_helper"
require "json"
require "open3"

# Forecasts held against a general-purpose library: numpy, as Debian ships it (python3-numpy). Its
# own draws of the triangular distribution, and its own calendar of business days.
class ForecastStandardsTest < Minitest::Test
  F = SteadyMove::Core::Forecast
  PYTHON = <<~CODE
    import json, sys
    import numpy as np
    given = json.load(sys.stdin)
    rng = np.random.default_rng(11)
    out = {"draws": [], "days": []}
    for low, mode, high in given["takes"]:
        d = rng.triangular(low, mode, high, 400000)
        out["draws"].append([float(np.quantile(d, q)) for q in (0.1, 0.5, 0.9)] + [float(d.mean()), float(d.var())])
    for day, count in given["days"]:
        out["days"].append(str(np.busday_offset(day, count, roll="forward", holidays=given["holidays"])))
    print(json.dumps(out))
  CODE
  TAKES = [[60, 900, 3600], [0, 10, 600], [300, 900, 86_400], [3600, 86_400, 432_000]].freeze
  # Easter and May holidays of 2027 as a printed calendar has them; from memory.
  HOLIDAYS = %w[2027-03-26 2027-03-29 2027-05-03 2027-05-31].freeze

  def test_numpy_draws_and_counts_alike
    days, found = asked
    drawer = F::Draws.new(count: 2000, seed: 3)
    TAKES
      .zip(found["draws"])
      .each do |takes, (p10, p50, p90, mean, variance)|
        own = drawer.duration(F::Duration.estimate(takes), 0)
        spread = F::Spread.new(own, at: Time.at(0).utc)
        [
          [p10, spread.p10.to_f],
          [p50, spread.p50.to_f],
          [p90, spread.p90.to_f],
          [mean, spread.mean],
          [variance, spread.variance]
        ].each { |theirs, ours| assert_in_delta theirs, ours, (theirs * 0.02) + 1, takes.inspect }
      end
    business = F::BusinessDays.new(HOLIDAYS.map { |d| Date.iso8601(d) })
    days
      .zip(found["days"])
      .each do |(day, count), expected|
        got = business.add(Time.iso8601("#{day}T00:00:00Z"), count * 86_400)
        assert_equal expected, got.strftime("%Y-%m-%d"), "#{day} and #{count} business days"
      end
  end

  private

  def asked
    random = Random.new(5)
    days = Array.new(200) { [(Date.new(2027, 3, 1) + random.rand(120)).to_s, random.rand(12)] }
    out, status =
      Open3.capture2(
        "/usr/bin/python3",
        "-c",
        PYTHON,
        stdin_data: JSON.generate(takes: TAKES, days: days, holidays: HOLIDAYS)
      )
    assert status.success?
    [days, JSON.parse(out)]
  end
end
