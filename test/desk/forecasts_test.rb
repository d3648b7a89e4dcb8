# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Forecasts of moves under way: ranges, all of them together, what finished moves teach, and how far off it was.
class ForecastsTest < Minitest::Test
  NAMES = %w[isles-timetable.example nightboat-saltern.example harbourpass.example].freeze
  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def over = world.until_true(most: 400, what: "the end") { app.moves.open.empty? }

  def approve_soon(id)
    world.until_true(most: 200, what: "the release") { world.move(id).state.marked(:approval).active? }
    world.orders.approve(id, by: "ada@saltern-office.example")
  end

  def test_a_range_narrows_and_holds
    id = world.start(NAMES.first, to: "orlop")
    early = app.forecasts.of(world.move(id)).spread
    assert_operator early.p10, :<, early.p50
    assert_operator early.p50, :<, early.p90
    begun = app.now
    world.until_true(most: 200, what: "the release") { world.move(id).state.marked(:approval).active? }
    late = app.forecasts.of(world.move(id)).spread
    assert_operator late.p10 - app.now, :<, early.p10 - begun
    over
    held = app.forecasts.calibration
    assert_equal([id], held.map { |h| h.move.id })
    assert_equal held.first.ended_at.between?(held.first.p05, held.first.p95), held.first.held
  end

  # Three moves end together when the last of them does.
  def test_all_together
    ids = NAMES.map { |n| world.start(n, to: "orlop") }
    alone = ids.map { |id| app.forecasts.of(world.move(id)).spread.p50 }
    together = app.forecasts.together(app.moves.open)
    assert_operator together.p50, :>, alone.min
    assert_in_delta 0.5, together.chance_by(together.p50), 0.02
    assert_nil app.forecasts.together([])
  end

  # Two finished moves teach how long that registrar takes; the next forecast rests on them.
  def test_finished_moves_teach
    NAMES.first(2).each do |name|
      approve_soon(world.start(name, to: "orlop"))
      over
    end
    steps = app.forecasts.seen.select { |_, list| list.size >= 2 }.keys
    assert_includes steps, %w[orlop order]
    id = world.start(NAMES.last, to: "orlop")
    range = app.forecasts.of(world.move(id))
    assert_equal 2, range.rests_on.fetch("order")
  end

  # What is asked by email goes on while people are at work: it takes longer over a week-end, and over holidays.
  def test_letters_wait_for_business_days
    plan = lambda do
      Core::Moves::Plan.of(name: "a.example", from: "x", to: "y", options: %i[lock], years: 1, response_days: 5,
        ways: { "unlock" => "letter" })
    end
    world.driver.move_on(to: Time.utc(2027, 3, 25, 16)) # the Thursday before Easter (from memory)
    without = app.forecasts.of_plan(plan.call).spread.p10
    app.settings.set("holidays", { "region" => "gb" }, at: app.now)
    with = app.forecasts.of_plan(plan.call).spread.p10
    assert_operator with - without, :>, 86_400, "Good Friday and Easter Monday"
    assert_match(/no region/, assert_raises(SteadyMove::Desk::Refused) do
      app.settings.set("holidays", { "region" => "atlantis" }, at: app.now)
    end.message)
  end
end
