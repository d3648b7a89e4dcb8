# frozen_string_literal: true

require_relative "../test_helper"

# Forecasts against closed forms: the mean and the variance of a sum of independent triangular
# variables (textbook), and what learning makes of an estimate.
class ForecastTest < Minitest::Test
  F = SteadyMove::Core::Forecast
  M = SteadyMove::Core::Moves
  AT = Time.utc(2027, 3, 1, 8)
  TAKES = [
    [60, 900, 3600],
    [0, 10, 600],
    [300, 900, 86_400],
    [5, 5, 5],
    [3600, 86_400, 432_000]
  ].freeze

  # A plan whose steps stand one after another, each with one of TAKES.
  def chain(takes = TAKES)
    plan = M::Plan.of(name: "a.example", from: "x", to: "y", options: [:lock], ways: {}, years: 1)
    first = plan.steps.first
    steps =
      takes.each_with_index.map do |t, i|
        first
          .dup
          .tap { |s| s.id = "s#{i}" and s.takes = t and s.needs = i.zero? ? [] : ["s#{i - 1}"] }
          .freeze
      end
    plan.dup.tap { |p| p.steps = steps and p.endings = [] }.freeze
  end

  def ends(plan, **more)
    F::Draws.new(count: 2000, seed: 7).ends(M::State.fold(plan, []), at: AT, **more)
  end
  def mean(low, usual, most) = (low + usual + most) / 3.0

  def variance(low, usual, most)
    ((low**2) + (usual**2) + (most**2) - (low * usual) - (low * most) - (usual * most)) / 18.0
  end

  def test_a_chain_agrees_with_the_closed_form
    spread = F::Spread.new(ends(chain), at: AT)
    assert_in_delta TAKES.sum { |t| mean(*t) }, spread.mean, 0.02 * TAKES.sum { |t| mean(*t) }
    assert_in_delta TAKES.sum { |t| variance(*t) },
                    spread.variance,
                    0.02 * TAKES.sum { |t| variance(*t) }
    assert_equal ends(chain), ends(chain), "the same plan at the same instant"
    refute_equal ends(chain), ends(chain, salt: 5)
  end

  def test_ranges_and_chances
    spread = F::Spread.new((1..100).map(&:to_f).shuffle(random: Random.new(1)), at: AT)
    assert_equal([10, 50, 90], [spread.p10, spread.p50, spread.p90].map { |t| (t - AT).to_i })
    assert_equal([0.0, 0.25, 1.0], [AT, AT + 25, AT + 100].map { |t| spread.chance_by(t) })
    assert_equal AT + 910, spread.start_before(AT + 1000)
    assert_equal [AT + 100, 1.0], spread.curve(points: 4).last
    assert_equal [[AT, 1.0]], F::Spread.new([0.0], at: AT).curve
    both = F::Spread.together([[1.0, 9.0], [5.0, 2.0]], at: AT)
    assert_equal([5, 9], [both.p10, both.p90].map { |t| (t - AT).to_i })
  end

  # A step under way has used up its time, and none ends before now.
  def test_what_is_under_way
    plan = chain([[100, 200, 300], [50, 50, 50]])
    event = M::Event.new(seq: 1, type: "waiting", step: "s0", at: AT - 250, data: {})
    state = M::State.fold(plan, [event])
    spread = F::Spread.new(F::Draws.new(count: 200).ends(state, at: AT), at: AT)
    assert_operator spread.quantile(0.01), :>=, AT + 50
    assert_operator spread.quantile(1.0), :<=, AT + 100
  end

  # prior, seen => better
  LEARNT = [
    [[60, 900, 3600], [], [60, 900, 3600]],
    [[60, 900, 3600], [100], [60, 900, 3600]],
    [[60, 900, 3600], [300] * 4, [180, 600, 1950]],
    [[0, 0, 0], [10] * 96, [10, 10, 10]]
  ].freeze

  def test_learning
    LEARNT.each do |prior, seen, better|
      assert_equal(better, F::Learning.blend(prior, seen).map { |s| s.round(0) })
    end
  end
end
