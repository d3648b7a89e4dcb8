# frozen_string_literal: true

require_relative "../test_helper"

# Check values of the trade (common practice, no source) and calendar sums against python3-dateutil,
# a general library.
class ExpiryTest < Minitest::Test
  # expires, landed, years, max, in grace → new expiry, capped
  VALUES = [
    ["2018-12-04", "2018-11-08", 1, 10, false, "2019-12-04", false],
    ["2024-11-16", "2024-10-01", 1, 10, false, "2025-11-16", false],
    ["2028-02-29", "2028-01-10", 1, 10, false, "2029-02-28", false],
    ["2027-03-01", "2026-03-01", 10, 10, false, "2036-03-01", true],
    ["2027-05-01", "2026-05-20", 1, 10, true, "2027-05-01", false],
    ["2027-05-01", "2026-05-20", 0, 10, false, "2027-05-01", false]
  ].freeze

  def test_check_values
    VALUES.each do |expires, landed, years, max, grace, expected, capped|
      result =
        Core::Expiry.after_move(
          expires_at: utc("#{expires}T00:00:00Z"),
          landed_at: utc("#{landed}T00:00:00Z"),
          years: years,
          max_years: max,
          in_grace: grace
        )
      assert_equal [utc("#{expected}T00:00:00Z"), capped],
                   [result.expires_at, result.capped],
                   expires
    end
  end

  def test_adding_years_agrees_with_dateutil
    random = Random.new(11)
    cases =
      Array.new(300) { [Time.at(random.rand(4_000_000_000)).utc, random.rand(-3..10)] } +
        [[Time.utc(2028, 2, 29, 12), 1], [Time.utc(2096, 2, 29), 4]]
    script =
      "import sys,datetime\nfrom dateutil.relativedelta import relativedelta\n" \
        "for l in sys.stdin:\n t,y=l.split()\n " \
        "d=datetime.datetime.fromtimestamp(int(t),datetime.timezone.utc)\n " \
        "print(int((d+relativedelta(years=int(y))).timestamp()))\n"
    theirs =
      IO.popen(["/usr/bin/python3", "-c", script], "r+") do |io|
        cases.each { |t, y| io.puts "#{t.to_i} #{y}" }
        io.close_write
        io.read.split.map(&:to_i)
      end
    assert_equal cases.size, theirs.size
    cases.zip(theirs) do |(time, years), expected|
      assert_equal expected, Core::Expiry.add_years(time, years).to_i, "#{time} #{years}"
    end
  end
end
