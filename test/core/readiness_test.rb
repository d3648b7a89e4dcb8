# frozen_string_literal: true

require_relative "../test_helper"

class ReadinessTest < Minitest::Test
  OLD = Time.utc(2020, 1, 1)

  def known(**values)
    { created_at: OLD, statuses: ["ok"], zone_ends_with_account: false }.merge(values)
  end

  def verdict(at: "2027-03-01T08:00:00Z", **values)
    Core::Readiness::Judge.verdict(rulebook, domain("ferry.example"), Core::Readiness::Facts.new(facts(**values)), at: utc(at))
  end

  # what is known => [verdict, rules that hit]; code-missing is a step of every such move and changes nothing.
  CASES = [
    [{}, "clear", %w[code-missing]],
    [{ code_held: true }, "clear", []],
    [{ statuses: ["clientTransferProhibited"] }, "fix", %w[locked code-missing]],
    [{ statuses: ["serverTransferProhibited"] }, "barred", %w[registry-hold code-missing]],
    [{ statuses: ["pendingTransfer"] }, "barred", %w[in-transfer code-missing]],
    [{ zone_ends_with_account: "Old DNS" }, "fix", %w[dns-leaves code-missing]],
    [{ created_at: Time.utc(2027, 2, 1) }, "wait", %w[new-name code-missing]],
    [{ transferred_at: Time.utc(2027, 2, 1) }, "wait", %w[recent-move code-missing]],
    [{ created_at: Time.utc(2027, 2, 1), statuses: %w[serverTransferProhibited] }, "barred", %w[registry-hold new-name code-missing]]
  ].freeze

  def test_rules_and_verdicts
    CASES.each do |extra, kind, rules|
      found = verdict(**known(**extra))
      assert_equal [kind, rules], [found.kind, found.findings.map(&:rule)], extra
    end
  end

  # Sixty 24-hour days from the event, half open: the last second bars, the next clears (rules of the job §1).
  EDGES = [
    ["2026-09-26T14:05:00Z", "2026-11-25T14:04:59Z", "wait"], ["2026-09-26T14:05:00Z", "2026-11-25T14:05:00Z", "clear"],
    ["2027-12-31T23:59:59Z", "2028-02-29T23:59:58Z", "wait"], ["2027-12-31T23:59:59Z", "2028-02-29T23:59:59Z", "clear"]
  ].freeze

  def test_sixty_days_to_the_second
    EDGES.each do |created, at, kind|
      assert_equal kind, verdict(at: at, **known(created_at: utc(created))).kind, "#{created} at #{at}"
    end
  end

  def test_a_wait_ends_with_the_latest_of_its_reasons
    found = verdict(**known(created_at: utc("2027-02-01T00:00:00Z"), transferred_at: utc("2027-02-10T00:00:00Z")))
    assert_equal utc("2027-04-11T00:00:00Z"), found.clears_at
  end

  def test_what_is_not_known_is_no_finding_and_the_verdict_says_so
    found = verdict(statuses: ["ok"])
    assert_equal "clear", found.kind
    assert_predicate found, :rests_on_less?
    assert_equal %w[new-name recent-move dns-leaves].sort, found.unknown.map(&:rule).sort
  end

  def test_where_sources_differ_the_more_cautious_one_rules
    seen = facts(source: :account, statuses: ["ok"]) + facts(source: :public_record, statuses: ["clientTransferProhibited"])
    both = Core::Readiness::Facts.new(seen)
    assert_equal ["clientTransferProhibited"], both.statuses
    assert_equal [:statuses], both.contradictions
  end

  def test_a_suffix_that_nobody_serves_here
    found = Core::Readiness::Judge.verdict(rulebook, domain("ferry.nowhere"), Core::Readiness::Facts.new([]), at: OLD)
    assert_equal ["barred", ["suffix-unserved"]], [found.kind, found.findings.map(&:rule)]
  end

  # A rulebook's mistake names the file and what is wrong.
  MISTAKES = {
    { "id" => "locked" } => "effect, because, remedy, source missing",
    { "id" => "locked", "effect" => "stop", "because" => "", "remedy" => "", "source" => {} } => "is not one of",
    { "id" => "unheard-of", "effect" => "fix", "because" => "", "remedy" => "", "source" => {} } => "no object judges it"
  }.freeze

  def test_mistakes_in_a_rulebook
    MISTAKES.each do |row, reason|
      error = assert_raises(Core::Readiness::Rulebook::Invalid) do
        Core::Readiness::Rulebook.new(rules: { file: "rules.yml", rows: [row] }, families: [])
      end
      assert_match(/\Arules\.yml: .*#{reason}/, error.message)
    end
  end
end
