# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

# The rulebook as it ships; what a mistake in it says; a site's own words on it.
class RulebookTest < Minitest::Test
  Book = Core::Readiness::Rulebook
  SOURCE = "source: {text: t, kind: C, verified: false, date: 2026-11-25}"

  # At least the families that the job knows; each value with source, verified and date.
  def test_families
    kinds =
      rulebook.families.to_h do |f|
        [f.id, [f.code, f.lock, f.approval, f.years_added, f.presence && true]]
      end
    assert_equal ["needed", "yes", "registry", 1, nil], kinds["gtld"]
    assert_equal ["none", "none", "mail", 1, nil], kinds["by-mail"]
    assert_equal ["needed", "none", "none", 0, nil], kinds["at-once"]
    assert_equal ["none", "none", "push", 0, nil], kinds["push"]
    assert_equal ["needed", "yes", "registry", 1, true], kinds["presence"]
    sources =
      rulebook.families.flat_map do |f|
        Core::Readiness::Family.open_values.map { |v| f.source_of(v) }
      end + rulebook.entries.values.map(&:source)
    sources.each do |s|
      assert_equal [true, true],
                   [%w[P C].include?(s["kind"]), [s["text"], s["date"], s.key?("verified")].all?],
                   s
    end
    assert_equal rulebook.families.find { |f| f.id == "push" },
                 rulebook.family_of(Core::Names::DomainName.held("a.co.uk"))
  end

  # file => text, and what is said of it with its line
  MISTAKES = [
    [
      "rules.yml",
      "- id: locked\n  title: T\n  effect: fix\n  in_move: maybe\n  because: b\n  remedy: r\n  " \
        "#{SOURCE}\n",
      /rules\.yml: line 4: rule locked: in_move “maybe” is not one of step, first, caution/
    ],
    [
      "rules.yml",
      "- id: locked\n  title: T\n  effect: stop\n  because: b\n  remedy: r\n  #{SOURCE}\n",
      /rules\.yml: line 3: rule locked: effect “stop” is not one of/
    ],
    [
      "rules.yml",
      "- id: unheard-of\n  title: T\n  effect: fix\n  in_move: step\n  because: b\n  remedy: " \
        "r\n  #{SOURCE}\n",
      /rules\.yml: line 1: rule unheard-of: no object judges it/
    ],
    [
      "rules.yml",
      "- id: locked\n  title: T\n  effect: fix\n",
      /rules\.yml: line 1: locked: because, remedy, source missing/
    ],
    [
      "rules.yml",
      "- id: locked\n  title: T\n  effect: fix\n  in_move: step\n  because: b\n  remedy: r\n  " \
        "source: {text: t}\n",
      /line 7: rule locked: source without kind, verified, date/
    ],
    ["rules.yml", "- id: [\n", /rules\.yml: line 2: /],
    [
      "f.yml",
      "id: f\ntitle: F\nsuffixes: [x]\nyears_added: 40\nmax_years: 10\nmove_hours: [1, 2, " \
        "3]\n#{SOURCE}\n",
      /f\.yml: line 4: years_added “40” is not a whole number from 0 to 10/
    ],
    [
      "f.yml",
      "id: f\ntitle: F\nsuffixes: [x]\nlock: maybe\nyears_added: 1\nmax_years: 10\nmove_hours: " \
        "[1, 2, 3]\n#{SOURCE}\n",
      /line 4: lock “maybe” is not one of yes, none/
    ],
    [
      "f.yml",
      "id: f\ntitle: F\nsuffixes: [x]\nyears_added: 1\nmax_years: 10\nmove_hours: [3, 2, " \
        "1]\n#{SOURCE}\n",
      /line 6: move_hours must be three rising numbers/
    ],
    [
      "f.yml",
      "id: f\ntitle: F\nsuffixes: [x]\nyears_added: 1\nmax_years: 10\nmove_hours: [1, 2, " \
        "3]\nwithout: " \
        "[nothing]\n#{SOURCE}\n",
      /line 7: no such rule: nothing/
    ]
  ].freeze

  def test_mistakes_name_file_and_line
    MISTAKES.each do |file, text, said|
      Dir.mktmpdir do |folder|
        File.write(
          File.join(folder, "rules.yml"),
          "- id: locked\n  title: T\n  effect: fix\n  in_move: step\n  because: b\n  remedy: " \
            "r\n  " \
            "#{SOURCE}\n"
        )
        File.write(File.join(folder, file), text)
        assert_match said,
                     assert_raises(Book::Invalid) {
                       SteadyMove::Desk::Portfolio::Rulebooks.load(folder)
                     }.message
      end
    end
  end

  def word(key, value, suffix: "example")
    Core::Readiness::Override.new(
      suffix: suffix,
      key: key,
      value: value,
      source: {
        "text" => "the registry's letter",
        "kind" => "site",
        "verified" => true,
        "date" => "2027-01-04"
      },
      id: 1
    )
  end

  # key, value, a name under the suffix → what its family then says; other suffixes of the family
  # stay as they were.
  def test_overrides
    book = rulebook.with([word("lock", "none"), word("new-name", "10"), word("recent-move", "off")])
    ours, theirs = %w[a.example a.com].map { |n| book.family_of(domain(n)) }
    assert_equal %w[none yes], [ours.lock, theirs.lock]
    assert_equal([10, 60], [ours, theirs].map { |f| f.lines["new-name"].params["days"] })
    assert_equal([false, true], [ours, theirs].map { |f| f.rules.include?("recent-move") })
    assert_equal "the registry's letter", ours.source_of("lock")["text"]
    assert_equal "yes", rulebook.family_of(domain("a.example")).lock
    [%w[lock perhaps], %w[new-name -3], %w[locked 5], %w[colour red]].each do |key, value|
      assert_raises(Book::Invalid, "#{key} #{value}") { rulebook.with([word(key, value)]) }
    end
  end
end
