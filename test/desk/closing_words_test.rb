# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/step_alone"

# What a closing report says, from reports as they may be; and which moves an approval is shown
# with.
class ClosingWordsTest < Minitest::Test
  include StepAlone

  Closing = SteadyMove::Desk::Closing
  Line = Closing::LedgerBook::Line

  attr_reader :app

  def setup
    @world = BenchWorld.new
    @app = @world.app
  end

  def teardown = @world.close
  def euros(minor) = Core::Money::Amount.new(minor, "EUR")

  def report(ending: nil, options: RECORDS, **so)
    told = ending ? [event("done", "order"), event(ending, nil)] : []
    about = move(*told, options: options, plan: { expires_at: START, expected_expiry: START + 9 })
    Closing::ClosingReport::Move.new(
      move: about,
      words: {
        name: "ferry.example",
        from: "Old Names",
        to: "New Names"
      },
      checks: [],
      left: [],
      exposed: [],
      learnt: [],
      **so
    )
  end

  def said(report) = Closing::ClosingText.new(app).of_move(report).parts.flatten.compact.join("\n")

  CHECK = { "what" => "lock", "wanted" => "on", "found" => "off" }.freeze
  # what a report holds => a sentence that is in it, one that is not
  REPORTS = [
    [->(_) { {} }, /cost is not known/i, /saved/i],
    [->(t) { { line: t.line(902, charged: true, saved: 598) } }, /5\.98 EUR/, /not known: no/i],
    [->(t) { { line: t.line(902, charged: false, saved: -100) } }, /1\.00 EUR/, /-1\.00/],
    [->(t) { { line: t.line(902, charged: true, lost_days: 12) } }, /12 days/, /no days/i],
    [->(t) { { line: t.line(902, charged: true, lost_days: 0) } }, /9\.02 EUR/, /12 days/],
    [->(_) { { checks: [{ **CHECK, "ok" => true }] } }, /lock/, /differs/i],
    [->(_) { { checks: [{ **CHECK, "ok" => false }] } }, /off/, /agrees/i],
    [->(_) { { exposed: [[START, START + 7200]] } }, /2 h/, /1 day/],
    [->(_) { { exposed: [[START, START]] } }, /ferry/, /0 min/],
    [->(_) { { learnt: ["The code came within a day."] } }, /within a day/, /nothing was learnt/i],
    [->(_) { { options: %i[carry dns_only] } }, /Old Names/, /not seen to leave/],
    [->(_) { {} }, /not seen to leave/, /Nothing is left/],
    [->(_) { { ending: "settled", again_at: START + 86_400 } }, /again/, /can’t be told/],
    [->(_) { { ending: "settled" } }, /again/, /Tue 2 Mar 2027, 08:00/]
  ].freeze

  def line(minor, saved: nil, **so) =
    Line.new(besides: [], spent: euros(minor), saved: saved && euros(saved), **so)
  public :line

  def test_each_report
    REPORTS.each_with_index do |(so, there, not_there), i|
      text = said(report(**so.call(self)))
      assert_match there, text, i
      refute_match not_there, text, i
    end
  end

  # [kind, found, expected] of the ledger => what is said
  DIFFERENCES = {
    ["otherwise", 700, 902] => /7\.00 EUR.*9\.02 EUR/m,
    ["otherwise", 700, nil] => /7\.00 EUR/,
    ["otherwise", nil, 902] => /9\.02 EUR/
  }.freeze

  def test_each_difference
    DIFFERENCES.each do |(kind, found, expected), says|
      amounts = [found, expected].map { |minor| minor && euros(minor) }
      about = Struct.new(:kind, :account, :found, :expected).new(kind, "orlop", *amounts)
      assert_match says, Closing::ClosingText.new(app).difference(about)
    end
  end
end
