# frozen_string_literal: true

require_relative "../test_helper"

# The compact outline against the plain meaning of its spans, second by second, over random spans.
class OutlineTest < Minitest::Test
  R = Core::Readiness
  EVER = Float::INFINITY
  EFFECTS = %w[bar wait fix caution step unknown].freeze

  def entry(id, soft, in_move = nil)
    R::Rulebook::Entry.new(id: id, soft: soft, effect: "fix", in_move: in_move)
  end

  def random_spans(random)
    Array
      .new(random.rand(0..7)) do |i|
        from = [random.rand(-5..25), -EVER].sample(random: random)
        to = [random.rand(0..35), EVER].sample(random: random)
        kind = [nil, "step", "first", "caution"].sample(random: random)
        if from < to
          R::Span.new(
            entry("rule-#{i}", random.rand(3).zero?, kind),
            from,
            to,
            EFFECTS.sample(random: random),
            {}
          )
        end
      end
      .compact
  end

  def naive(spans, at)
    here = spans.select { |s| s.from <= at && at < s.to }.group_by(&:effect)
    kind =
      if here["bar"]
        "barred"
      elsif here["wait"]
        "wait"
      else
        here["fix"] ? "fix" : "clear"
      end
    ends = here["wait"]&.map(&:to)&.max
    [kind, kind == "wait" && ends != EVER ? ends : nil, *counts(here)]
  end

  # How many fixes there are, is something not known, how many the move does, how many come before
  # it.
  def counts(here)
    fixes = here.fetch("fix", []).map { |s| s.entry.in_move }
    [
      fixes.size,
      here.key?("unknown"),
      fixes.count { |k| [nil, "step"].include?(k) },
      fixes.count("first")
    ]
  end

  def closed?(spans, at)
    spans.any? { |s| %w[bar wait].include?(s.effect) && s.from <= at && at < s.to }
  end

  def soft?(spans, at)
    spans.any? do |s|
      s.entry.soft && %w[fix caution step].include?(s.effect) && s.from <= at && at < s.to
    end
  end

  def in?(intervals, at) = intervals.any? { |a, b| a <= at && at < b }

  def hits(spans, at)
    spans
      .select { |s| %w[bar wait fix].include?(s.effect) && s.from <= at && at < s.to }
      .map(&:rule)
  end

  def test_against_the_plain_meaning
    random = Random.new(28)
    250.times do
      spans = random_spans(random)
      outline = R::Outline.of(spans)
      windows = outline.windows(0, 30)
      soft = outline.soft(0, 30)
      (0...30).each do |t|
        assert_equal hits(spans, t),
                     spans.map(&:rule).select { |r| outline.hits?(r, t) },
                     -> { "at #{t}: #{spans}" }
        assert_equal naive(spans, t), outline.gate(t).to_a, -> { "at #{t}: #{spans}" }
        assert_equal [!closed?(spans, t), soft?(spans, t)],
                     [in?(windows, t), in?(soft, t)],
                     -> { "at #{t}: #{spans}" }
        same = ((t + 1)..30).take_while { |u| u < outline.next_change(t) }
        same.each do |u|
          assert_equal naive(spans, t),
                       naive(spans, u),
                       -> { "nothing changes from #{t} to #{u}: #{spans}" }
        end
      end
      assert_equal windows.any?, outline.open_within?(0, 30), spans.inspect
      first = (0..40).find { |t| !closed?(spans, t) }
      assert_equal [first], [outline.earliest_start(0)], spans.inspect
      assert_equal spans
                     .select { |s| %w[bar wait fix].include?(s.effect) && s.from <= 7 && s.to > 7 }
                     .map(&:rule)
                     .sort,
                   outline.reasons(7).sort
    end
  end

  # With other spans for some rules: the same as an outline made of them from the start.
  def test_spans_that_take_the_place_of_others
    random = Random.new(82)
    200.times do
      spans = random_spans(random)
      others = random_spans(random)
      gone = %w[rule-0 rule-2 rule-4]
      others.select! { |s| gone.include?(s.rule) }
      flat =
        others.each_with_object([]) do |s, list|
          R::Outline.add(list, s.entry, s.from, s.to, s.effect)
        end
      made = R::Outline.of(spans).with(flat, instead_of: gone)
      whole = R::Outline.of(spans.reject { |s| gone.include?(s.rule) } + others)
      (0..30).each { |t| assert_equal whole.gate(t), made.gate(t) }
      assert_equal whole.windows(0, 30), made.windows(0, 30)
    end
    same = R::Outline.of([R::Span.new(entry("a", false), 0, 5, "bar", {})])
    assert_same same, same.with([], instead_of: ["b"])
  end
end
