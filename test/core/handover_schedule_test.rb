# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/resolver"

# The schedule of a handover, whole: its instants by hand for given TTLs, and random ones against
# resolvers that know nothing of them (rules of the job §6; test/support/resolver.rb is written from
# the standards).
class HandoverScheduleTest < Minitest::Test
  START = Time.utc(2027, 3, 1, 8)
  BASE = {
    start: START,
    old_max_ttl: 7200,
    lowered_ttl: 300,
    parent_ns_ttl: 86_400,
    zone_ns_ttl: 3600,
    ds_ttl: 3600,
    negative_ttl: 900,
    publication: 600,
    signed: false,
    old_zone_ns_follows: true,
    old_host_ends_with_registration: true,
    fastest_move: 600
  }.freeze

  # what differs => seconds from the start: lower, rely, DS, switch, order, retire. By hand from the
  # rules.
  INSTANTS = {
    {} => [0, 7200, nil, 7200, 7200 + 600 + 86_400 + 900 - 600, 7200 + 600 + 86_400 + 900],
    {
      old_zone_ns_follows: false
    } => [0, 7200, nil, 7200, 7200 + 90_900 - 600 + 600, 7200 + 600 + 90_000 + 900],
    { old_host_ends_with_registration: false } => [0, 7200, nil, 7200, 7800, 95_100],
    { signed: true } => [0, 7200, 0, 7200, 7200 + 87_900 - 600, 7200 + 87_900],
    {
      signed: true,
      ds_ttl: 86_400
    } => [0, 7200, 0, 87_300, 87_300 + 87_900 - 600, 87_300 + 87_900],
    {
      lowered_ttl: 1800
    } => [0, 7200, nil, 7200, 7200 + 600 + 86_400 + 1800 - 600, 7200 + 600 + 86_400 + 1800],
    { fastest_move: 200_000 } => [0, 7200, nil, 7200, 7800, 95_100],
    {
      old_max_ttl: 0,
      lowered_ttl: 0,
      parent_ns_ttl: 0,
      zone_ns_ttl: 0,
      negative_ttl: 0,
      publication: 0,
      fastest_move: 0
    } => [0, 0, nil, 0, 0, 0]
  }.freeze

  def test_instants
    INSTANTS.each do |change, seconds|
      found =
        Records::HandoverSchedule
          .new(**BASE, **change)
          .instants
          .values
          .map { |t| t && (t - START).to_i }
      assert_equal seconds, found, change.to_s
    end
  end

  # A step that comes late moves what follows, and nothing that has come.
  def test_recomputed_when_a_step_comes_late
    late =
      Records::HandoverSchedule.new(**BASE, seen: { lower_at: START + 5000 }, now: START + 20_000)
    assert_equal(
      [5000, 12_200, 20_000],
      [late.lower_at, late.rely_at, late.switch_at].map { |t| (t - START).to_i }
    )
    switched =
      Records::HandoverSchedule.new(
        **BASE,
        seen: {
          lower_at: START,
          switch_at: START + 9000
        },
        now: START + 50_000
      )
    assert_equal 9000 + 600 + 86_400 + 900, (switched.retire_at - START).to_i
  end

  RUNS = 400
  TTLS = [0, 30, 300, 900, 3600, 86_400].freeze

  # broken: what is changed in the schedule before it is lived through. Returns how many runs gave a
  # wrong answer.
  def wrong(kind, broken = {})
    random = Random.new(2181)
    Array.new(RUNS) { wrong?(kind, random, broken) }.count(&:itself)
  end

  def wrong?(kind, random, broken)
    pick = -> { TTLS.sample(random: random) }
    given =
      BASE.merge(
        old_max_ttl: pick.call,
        parent_ns_ttl: pick.call,
        zone_ns_ttl: pick.call,
        ds_ttl: pick.call,
        publication: random.rand(0..900),
        signed: true
      )
    given =
      given.merge(
        lowered_ttl: [given[:old_max_ttl], pick.call].min,
        negative_ttl: [300, pick.call].min
      )
    schedule = Records::HandoverSchedule.new(**given)
    at = schedule.instants.transform_values { |t| 100_000 + (t - START).to_i }
    broken = %i[ds_remove_at switch_at retire_at].to_h { |k| [k, given[:old_max_ttl]] } if broken ==
      :not_waited
    at = at.merge(broken) { |_, planned, cut| planned - cut }
    world =
      SimulatedResolver::World.new(
        t1: at[:ds_remove_at],
        t2: at[:switch_at],
        shown: given[:publication],
        parent: given[:parent_ns_ttl],
        child: given[:zone_ns_ttl],
        data: given[:lowered_ttl],
        negative: given[:negative_ttl],
        ds: given[:ds_ttl],
        keys: given[:lowered_ttl],
        old_set: true,
        long: given[:old_max_ttl],
        lower_at: at[:lower_at]
      )
    asks(world, at, random, SimulatedResolver.new(kind, world, random))
  end

  def asks(world, at, random, resolver)
    ends = at[:retire_at]
    marks = [
      world.lower_at,
      world.lower_at,
      world.t1,
      world.t1 + world.shown + world.ds,
      world.t2,
      world.t2 + world.shown,
      world.t2 + world.shown + world.parent,
      ends
    ]
    near = Array.new(40) { marks.sample(random: random) + random.rand(-600..20) }
    (near + Array.new(20) { random.rand(0..(ends + 9000)) } + [ends, ends + 1])
      .reject(&:negative?)
      .sort
      .any? do |time|
        host, bogus = resolver.ask(time, negative: random.rand < 0.3)
        bogus || (host == :old && time >= ends)
      end
  end

  def test_nobody_gets_a_wrong_bogus_or_failed_answer
    SimulatedResolver::KINDS.each { |kind| assert_equal 0, wrong(kind), kind }
  end

  # The proof can fail: each wait that is dropped is found out.
  def test_a_step_that_comes_too_early_is_found_out
    assert_operator wrong(:validating, switch_at: 3000),
                    :>,
                    0,
                    "the switch before the DS is forgotten"
    assert_operator wrong(:validating, ds_remove_at: -4000), :>, 0, "the DS taken away too late"
    assert_operator wrong(:parent, :not_waited), :>, 0, "lowered TTLs that were not waited for"
    %i[parent child late].each { |kind| assert_operator wrong(kind, retire_at: 300), :>, 0, kind }
  end

  # Each wait, an hour shorter: the switch after the DS went, after the TTLs were lowered, and the
  # old host's end after the switch.
  def test_any_wait_an_hour_shorter_is_found_out
    {
      validating: :switch_at,
      parent: :retire_at,
      child: :retire_at,
      late: :retire_at
    }.each { |kind, wait| assert_operator wrong(kind, wait => 3600), :>, 0, "#{kind}, #{wait}" }
  end
end
