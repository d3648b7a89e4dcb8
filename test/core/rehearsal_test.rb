# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/plans"

# Plans lived through with faults drawn: every life ends, and each back in a safe state.
class RehearsalTest < Minitest::Test
  R = Core::Rehearsal

  def lives(plan, count: 25)
    Array.new(count) { |seed| R::Run.new(plan, chance: Random.new(seed).method(:rand)).call }
  end

  def test_every_life_of_every_shape_ends
    Plans.shapes.each do |what, plan|
      lives(plan).each_with_index do |life, seed|
        refute_equal "stuck", life.ending, "#{what}, seed #{seed}"
        assert_operator life.seconds, :>=, 0
      end
    end
  end

  def test_without_faults_it_is_the_plan_itself
    plan = Plans.shapes.fetch("full")
    # A chance of a half is above every share: never a fault, always the middle of each duration.
    life = R::Run.new(plan, chance: -> { 0.5 }).call
    assert_equal ["settled", []], [life.ending, life.faults]
    # The same durations along the same dependencies, by the schedule that screens show (common
    # practice: PERT/CPM).
    middle =
      plan.steps.to_h do |s|
        [s.id, Array.new(3) { Core::Forecast::Triangular.quantile(*s.takes, 0.5) }]
      end
    ends = {}
    plan.steps.each do |s|
      ends[s.id] = (s.needs.map { |n| ends[n] || 0 }.max || 0) + middle[s.id].first
    end
    assert_in_delta ends.values.max, life.seconds, 1
  end

  def test_faults_come_as_often_as_they_stand_there
    plan = Plans.shapes.fetch("full")
    all = lives(plan, count: 300)
    summary = R::Summary.new(all.map { |l| [l] }, starts: [0])
    shares = summary.faults.to_h { |f| [f.id, f.share] }
    assert_in_delta 25, shares.fetch("nobody-approves"), 7
    assert_in_delta 3, summary.endings.fetch("refused"), 3
    assert_in_delta 100, summary.endings.values.sum, 1, "rounded one by one"
    spread = summary.spread(at: Time.at(0).utc)
    assert_operator spread.p10, :<, spread.p90
    asks = summary.asks
    assert(asks.any? { |a| a.step == plan.with_trait(:approval).id && a.share > 80 })
    assert_equal asks.map { |a| a.after[1] }.sort,
                 asks.map { |a| a.after[1] },
                 "in the order in which they come"
  end
end
