# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Forecasts of moves under way: ranges, all of them together, what finished moves teach, and how far
# off it was.
class ForecastsTest < Minitest::Test
  NAMES = %w[isles-timetable.example nightboat-saltern.example harbourpass.example].freeze
  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def over = world.until_true(most: 400, what: "the end") { app.moves.open.empty? }

  def approve_soon(id)
    world.until_true(most: 200, what: "the release") do
      world.move(id).state.with_trait(:approval).active?
    end
    world.orders.approve(id, by: "ada@saltern-office.example")
  end

  def test_a_range_narrows_and_holds
    id = world.start(NAMES.first, to: "orlop")
    early = app.forecasts.for_move(world.move(id)).spread
    assert_operator early.p10, :<, early.p50
    assert_operator early.p50, :<, early.p90
    begun = app.now
    assert_equal 0, app.forecasts.within["of"]
    world.until_true(most: 200, what: "the release") do
      world.move(id).state.with_trait(:approval).active?
    end
    late = app.forecasts.for_move(world.move(id)).spread
    assert_operator late.p10 - app.now, :<, early.p10 - begun
    over
    held = app.forecasts.calibration
    assert_equal([id], held.map { |h| h.move.id })
    assert_equal held.first.ended_at.between?(held.first.p05, held.first.p95), held.first.held
    ended = held.first.ended_at
    by = [early.p10, early.p50, early.p90].map { |at| ended <= at ? 1 : 0 }
    assert_equal [1, *by], app.forecasts.within.values_at("of", "p10", "p50", "p90")
  end

  # The last of twenty alike, drawn together: the quantiles of a maximum are those of one at the
  # twentieth root (F(x)^n, textbook), never the greatest of single ranges.
  def test_many_are_drawn_together
    plan = world.plan(NAMES.first, to: "orlop").plan
    single =
      Core::Forecast::Draws.new(count: 4000, seed: 5).ends(
        Core::Moves::State.fold(plan, []),
        at: app.now
      )
    one = Core::Forecast::Spread.new(single, at: app.now)
    joint = app.forecasts.of_all([[plan, app.now]] * 20)
    [0.1, 0.5, 0.9].zip(joint.range)
      .each do |share, at|
        expected = one.quantile(share**(1.0 / 20))
        assert_in_delta expected - app.now, at - app.now, 0.06 * (expected - app.now), share
      end
    lone = app.forecasts.of_plan(plan).spread
    assert_operator joint.p10, :>, lone.p50, "somebody is always late"
  end

  # Two futures of one move, the deadline between, and the same wherever it is told.
  def test_two_futures
    id = world.start(NAMES.first, to: "orlop")
    world.until_true(most: 200, what: "the release") do
      world.move(id).state.with_trait(:approval).active?
    end
    two = app.forecasts.for_move(world.move(id)).futures
    assert_equal ["lands", world.move(id).state.deadline], [two.means, two.ends]
    assert_operator two.acting, :<, app.now + (86_400 / 2)
    assert_operator two.silent, :>=, two.ends
    assert_operator two.silent, :<, two.ends + 86_400
    ahead = SteadyMove::Desk::Planning::InShort.new(app).under_way(world.move(id))
    assert_equal two, ahead.futures
    world.orders.approve(id, by: "ada@saltern-office.example")
    over
    assert_match(
      /Finished <#{world.move(id).state.ended_at.strftime("%F")}/,
      SteadyMove::Desk::Planning::InShort.new(app).result(world.move(id))
    )
  end

  # Three moves end together when the last of them does.
  def test_all_together
    ids = NAMES.map { |n| world.start(n, to: "orlop") }
    alone = ids.map { |id| app.forecasts.for_move(world.move(id)).spread.p50 }
    together = app.forecasts.together(app.moves.open)
    assert_operator together.p50, :>, alone.min
    assert_in_delta 0.5, together.chance_by(together.p50), 0.02
    assert_nil app.forecasts.together([])
  end

  # Two finished moves teach how long that registrar takes; the next forecast rests on them.
  def test_finished_moves_teach
    NAMES
      .first(2)
      .each do |name|
        approve_soon(world.start(name, to: "orlop"))
        over
      end
    steps = app.forecasts.seen.steps.select { |_, list| list.size >= 2 }.keys
    assert_includes steps, %w[orlop order]
    id = world.start(NAMES.last, to: "orlop")
    range = app.forecasts.for_move(world.move(id))
    assert_equal 2, range.rests_on.fetch("order")
  end

  # What is asked by email goes on while people are at work: it takes longer over a week-end, and
  # over holidays.
  def test_letters_wait_for_business_days
    plan =
      lambda do
        Core::Moves::Plan.of(
          name: "a.example",
          from: "x",
          to: "y",
          options: %i[lock],
          years: 1,
          response_days: 5,
          ways: {
            "unlock" => "letter"
          }
        )
      end
    world.driver.move_on(to: Time.utc(2027, 3, 25, 16)) # the Thursday before Easter (from memory)
    without = app.forecasts.of_plan(plan.call).spread.p10
    app.settings.set("holidays", { "region" => "gb" }, at: app.now)
    with = app.forecasts.of_plan(plan.call).spread.p10
    assert_operator with - without, :>, 86_400, "Good Friday and Easter Monday"
    assert_match(
      /no region/,
      assert_raises(SteadyMove::Desk::Refused) do
        app.settings.set("holidays", { "region" => "atlantis" }, at: app.now)
      end.message
    )
  end
end
