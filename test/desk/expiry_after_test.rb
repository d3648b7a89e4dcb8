# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# What a page, a report and the ledger say of the expiry after a move is what the record shows; what
# nobody shows is said to be reckoned.
class ExpiryAfterTest < Minitest::Test
  include ByHand

  NAME = "isles-timetable.example"
  After = SteadyMove::Desk::Common::ExpiryAfter
  Plan = Struct.new(:expires_at, :years, :max_years, :in_grace, :grace_ends_at, :expected_expiry)
  Told = Struct.new(:at, :data)
  Move = Struct.new(:plan, :state)
  DAY = 86_400

  def self.utc(...) = Time.utc(...)

  # A move that landed then, of which the record showed that expiry (each may be nil).
  def over(plan, landed, shown)
    told = {
      "landed_at" => (Told.new(landed, {}) if landed),
      "shown_expiry" => (Told.new(landed, { "shown_expiry" => shown }) if shown)
    }
    Move.new(plan, Struct.new(:told_all) { def told(key) = told_all[key] }.new(told))
  end

  LANDED = utc(2027, 3, 6)
  # expires, in grace, until when, landed, shown => [expiry after it, seen?, days lost]
  # RFC 5731 §3.2.4 (the registry's most is ten years), RFC 3915 §3.1 (the year taken back).
  CASES = [
    [[utc(2028, 2, 18), false, nil], nil, nil, [utc(2029), false, 48]],
    [[utc(2028, 2, 18), false, nil], LANDED, nil, [utc(2029, 2, 18), false, 0]],
    [[utc(2028, 2, 18), false, nil], LANDED, utc(2029, 2, 17), [utc(2029, 2, 17), true, 1]],
    [[utc(2036, 12, 1), false, nil], LANDED, nil, [utc(2037, 3, 6), false, 270]],
    [[utc(2028, 2, 1), true, utc(2027, 3, 18)], LANDED, nil, [utc(2028, 2, 1), false, 0]],
    [[utc(2028, 2, 1), true, utc(2027, 3, 1)], LANDED, nil, [utc(2029, 2, 1), false, 0]]
  ].freeze

  def test_what_it_was_and_what_was_lost
    CASES.each do |(expires, grace, ends), landed, shown, expected|
      move = over(Plan.new(expires, 1, 10, grace, ends, Time.utc(2029)), landed, shown)
      assert_equal expected, [*After.of(move), After.lost_days(move)], [expires, landed].inspect
    end
  end

  # Ten years are the most, counted from the landing, which no plan knows: one day on every page.
  def test_a_name_at_the_most_that_the_registry_keeps
    live_with("tarnbeck")
    held = world.world.registry.domains.where(name: NAME)
    held.update(expires_at: (world.app.now + (3650 * DAY)).to_i)
    row = world.app.names.find(NAME)
    account = world.app.accounts.find(row[:account_id])
    SteadyMove::Desk::Portfolio::Observe.new(world.app).name(domain(NAME), account)
    id = world.start(NAME, to: "orlop")
    world.until_true(most: 300, what: "the end") { !world.move(id).open }
    shown = Time.at(held.get(:expires_at)).utc
    refute_equal shown, world.move(id).plan.expected_expiry, "it would prove nothing"
    assert_equal [shown, true], After.of(world.move(id))
    report = SteadyMove::Desk::Closing::ClosingReport.new(world.app).of_move(id)
    text = SteadyMove::Desk::Closing::ClosingText.new(world.app).of_move(report)
    assert_includes text.parts.flatten.compact.join("\n"),
                    "now it is #{SteadyMove::Words.mark(shown)}"
    checked = report.checks.find { |c| c["what"] == "expiry" }
    assert_equal SteadyMove::Words.mark(shown), checked["found"]
    csv =
      SteadyMove::Desk::Closing::ClosingFiles.new(world.app).batch(
        Struct.new(:moves, :held).new([report], [])
      )
    assert_includes csv, shown.strftime("%Y-%m-%d")
    assert_operator report.line.lost_days, :>, 300
  end
end
