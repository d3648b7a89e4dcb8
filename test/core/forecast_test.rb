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

  # What has lasted so long is never over before now, and not over at once either: of 0/5/10 days
  # after so many, the rest (P10, P50, P90 in days; the conditional triangular distribution, closed
  # form).
  def test_a_step_under_way_is_conditioned_on_how_long_it_lasted
    [2, 5, 8, 9.5].each do |used|
      plan = chain([[0, 5 * DAY, 10 * DAY]])
      event = M::Event.new(seq: 1, type: "waiting", step: "s0", at: AT - (used * DAY), data: {})
      state = M::State.fold(plan, [event])
      spread = F::Spread.new(F::Draws.new(count: 2000).ends(state, at: AT), at: AT)
      below = used <= 5 ? (used**2) / 50.0 : 1 - (((10 - used)**2) / 50.0)
      [0.1, 0.5, 0.9].zip(spread.range)
        .each do |share, at|
          expected = F::Triangular.quantile(0, 5, 10, below + (share * (1 - below))) - used
          assert_in_delta expected, (at - AT) / DAY, 0.06, "#{share} after #{used}"
        end
    end
  end

  def test_what_lasts_longer_than_ever_is_not_said_to_end_now
    plan = chain([[0, 5 * DAY, 10 * DAY]])
    event = M::Event.new(seq: 1, type: "waiting", step: "s0", at: AT - (11 * DAY), data: {})
    state = M::State.fold(plan, [event])
    spread = F::Spread.new(F::Draws.new(count: 200).ends(state, at: AT), at: AT)
    assert_operator spread.p90 - AT, :>, DAY
  end

  DAY = 86_400.0
  # How long it really takes, in seconds, as nobody here knows it: {what: random → seconds}.
  REALLY = {
    "lognormal" => ->(r) { Math.exp(8 + (0.9 * normal(r))) },
    "two humps" => ->(r) { r.rand < 0.55 ? 1800 + r.rand(3600) : (5 * DAY) + r.rand(7200) },
    "even" => ->(r) { 600 + r.rand(20_000) },
    "long tail" => ->(r) { 300.0 / ((1 - r.rand)**0.6) }
  }.freeze
  PRIOR = [60, 3600, 432_000].freeze

  def self.normal(random)
    Math.sqrt(-2 * Math.log(1 - random.rand)) * Math.cos(2 * Math::PI * random.rand)
  end

  # Shares of what came below what was foreseen, in points.
  def shares(foreseen, came)
    spread = F::Spread.new(foreseen, at: AT)
    spread.range.map { |at| 100.0 * came.count { |seconds| seconds <= at - AT } / came.size }
  end

  def assert_honest(shares, what)
    [10, 50, 90].zip([4, 5, 4], shares)
      .each do |meant, off, share|
        assert_in_delta meant, share, off, "#{what}: #{shares.map(&:round)}"
      end
  end

  # 400 moves of a known distribution: from the first 200 is learnt, the others are what came.
  # Shares of steps, of chains of five, and of batches of three, over 24 such desks, so that it is
  # the forecast that is measured and not one desk's chance.
  def test_learning_makes_forecasts_honest
    REALLY.each do |what, draw|
      told = Array.new(24) { |desk| desk_of(draw, Random.new(what.sum + desk)) }.transpose
      %w[step chain batch].zip(told) do |shape, desks|
        mean = desks.transpose.map { |list| list.sum / list.size }
        assert_honest mean, "a #{shape}, #{what}"
      end
    end
  end

  # Shares of one desk's steps, chains and batches.
  def desk_of(draw, random)
    lasting = F::Learning.duration(PRIOR, Array.new(200) { draw.call(random) })
    came = Array.new(5) { Array.new(200) { draw.call(random) } }
    many = Array.new(3) { |i| learnt(1, lasting, salt: i * 7) }
    [
      shares(learnt(1, lasting), came.first),
      shares(learnt(5, lasting), came.transpose.map(&:sum)),
      shares(many.transpose.map(&:max), came.first(3).transpose.map(&:max))
    ]
  end

  def learnt(count, lasting, salt: 0)
    plan = chain([PRIOR] * count)
    takes = plan.steps.to_h { |s| [s.id, lasting] }
    F::Draws.new(count: 800, seed: 11).ends(
      M::State.fold(plan, []),
      at: AT,
      takes: takes,
      salt: salt
    )
  end

  # [approved, silent] of this registrar, of all => the share that nobody answers (starting at 0.3,
  # which counts as four).
  SILENT = {
    [[0, 0], [0, 0]] => 0.3,
    [[0, 0], [24, 0]] => 1.2 / 28,
    [[4, 0], [24, 0]] => (4 * (1.2 / 28)) / 8,
    [[0, 10], [10, 10]] => (10 + (4 * (11.2 / 24))) / 14
  }.freeze

  def test_whether_anybody_approves_is_learnt_first
    SILENT.each do |counts, share|
      own, all = counts.map { |approved, silent| releases([3600] * approved, silent) }
      assert_in_delta share, F::Learning.silence(own, all, 0.3), 0.001, counts.inspect
    end
    quick = releases([1800, 3600, 5400] * 8, 0)
    lasting = F::Learning.release([60, 3600, 5 * DAY], quick, quick, 0.3)
    table = lasting.table(200)
    assert_operator table[100], :<, 2 * 3600, "who approves within the hour is not waited for days"
    assert_in_delta 0.01, table.count { |s| s >= 5 * DAY } / 200.0, 0.02
    assert_operator lasting.spoken.table(200).last, :<, 5 * DAY
  end

  def releases(approved, silent)
    F::Learning::Releases.new(approved: approved, silent: silent, refused: 0)
  end

  # prior, seen => so much of it is drawn from what was seen
  LEARNT = { 0 => 0, 1 => 0, 4 => 0.5, 12 => 0.9, 96 => 1.0 }.freeze

  def test_what_was_seen_counts_with_its_number
    LEARNT.each do |count, share|
      table = F::Learning.duration([60, 60, 60], [10.0] * count).table(100)
      assert_in_delta share, table.count(10.0) / 100.0, 0.01, count
    end
  end
end
