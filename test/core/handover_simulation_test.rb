# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/resolver"

# The waits of a handover (rules of the job §6) against resolvers of five kinds, over random TTLs
# and instants of questions: no answer of the old host once it may be gone, none that a validator
# takes for forged; and a wait that is made shorter fails.
class HandoverSimulationTest < Minitest::Test
  RUNS = 1500
  TTLS = [0, 5, 60, 300, 900, 3600, 86_400].freeze

  def world(random, old_set:)
    ttl = -> { TTLS.sample(random: random) }
    parent, child, data, negative, ds, keys = Array.new(6) { ttl.call }
    shown = random.rand(0..600)
    t1 = 200_000
    forgotten = t1 + shown + ds + [data, keys].max
    SimulatedResolver::World.new(
      t1: t1,
      t2: forgotten,
      shown: shown,
      parent: parent,
      child: child,
      data: data,
      negative: negative,
      ds: ds,
      keys: keys,
      old_set: old_set
    )
  end

  def handover(world)
    Records::Handover.new(
      parent_ns: world.parent,
      zone_ns: world.child,
      greatest: world.data,
      negative: world.negative,
      registry: world.shown,
      old_set: world.old_set
    )
  end

  # Questions close to where something changes and anywhere else.
  def instants(world, random, ends)
    gone = world.t1 + world.shown
    marks = [
      gone,
      gone + world.ds,
      gone + world.ds + world.keys,
      world.t2,
      world.t2 + world.shown,
      world.t2 + world.shown + world.parent,
      ends
    ]
    near =
      Array.new(20) { marks.sample(random: random) - random.rand(0..4000) } +
        Array.new(40) { marks.sample(random: random) - random.rand(0..10) }
    near += Array.new(20) { random.rand(0..(ends + 90_000)) }
    (near + [ends, ends + 1]).reject(&:negative?).sort
  end

  # How many runs gave a wrong answer: the old host's after it may be gone, or a bogus one. cut:
  # seconds taken off the wait; early: seconds by which the switch comes too soon after the DS went.
  def wrong_runs(kind, old_set:, cut: 0, early: 0)
    random = Random.new(6781)
    Array
      .new(RUNS) do
        w = world(random, old_set: old_set)
        w.t2 -= [early, w.t2 - w.t1].min
        ends = w.t2 + handover(w).settles_after - cut
        resolver = SimulatedResolver.new(kind, w, random)
        instants(w, random, ends).any? do |at|
          host, bogus = resolver.ask(at, negative: random.rand < 0.3)
          bogus || (host == :old && at >= ends)
        end
      end
      .count(&:itself)
  end

  # The way back of a signed zone: after the switch back the DS returns, and the new host may go,
  # when all have forgotten it. Returns how many runs gave a bogus answer, or one of the new host
  # after that.
  def wrong_ways_back(kind, back_set:, cut: 0)
    random = Random.new(4035)
    Array
      .new(RUNS) do
        w = world(random, old_set: true)
        w.t3 = w.t2 + w.shown + random.rand(0..200_000)
        w.back_set = back_set
        back = handover(w).tap { |h| h.old_set = back_set }
        ends = w.t4 = w.t3 + back.settles_after - cut
        resolver = SimulatedResolver.new(kind, w, random)
        back_instants(w, random).any? do |at|
          host, bogus = resolver.ask(at, negative: random.rand < 0.3)
          at >= w.t3 && (bogus || (host == :new && at >= ends))
        end
      end
      .count(&:itself)
  end

  def back_instants(world, random)
    marks = [
      world.t2 + world.shown,
      world.t3,
      world.t3 + world.shown,
      world.t3 + world.shown + world.parent,
      world.t4
    ]
    near =
      Array.new(70) do
        marks.sample(random: random) - random.rand(0..[10, 600, 4000].sample(random: random))
      end
    (
      near + Array.new(20) { world.t2 + random.rand(0..(world.t4 - world.t2 + 90_000)) } +
        [world.t4, world.t4 + 1]
    ).sort
  end

  def test_nobody_gets_a_wrong_answer_on_the_way_back
    SimulatedResolver::KINDS.each do |kind|
      assert_equal 0, wrong_ways_back(kind, back_set: true), kind
    end
    (SimulatedResolver::KINDS - %i[renewing]).each do |kind|
      assert_equal 0, wrong_ways_back(kind, back_set: false), kind
    end
    assert_operator wrong_ways_back(:validating, back_set: true, cut: 3600),
                    :>,
                    0,
                    "the DS came back too early"
    assert_operator wrong_ways_back(:late, back_set: false, cut: 3600), :>, 0
  end

  def test_nobody_gets_a_wrong_answer_where_the_old_zone_names_the_new_servers
    SimulatedResolver::KINDS.each { |kind| assert_equal 0, wrong_runs(kind, old_set: true), kind }
  end

  # Where it doesn't, who renews its set with every answer has no bound; all others have R + P + N +
  # max(m, X).
  def test_nobody_but_the_renewing_ones_where_it_does_not
    (SimulatedResolver::KINDS - %i[renewing]).each do |kind|
      assert_equal 0, wrong_runs(kind, old_set: false), kind
    end
    assert_operator wrong_runs(:renewing, old_set: false), :>, 0, "they have no bound, as is said"
  end

  def test_a_shorter_wait_fails
    %i[parent child late].each do |kind|
      assert_operator wrong_runs(kind, old_set: true, cut: 30), :>, 0, kind
    end
    assert_operator wrong_runs(:late, old_set: false, cut: 30), :>, 0
    assert_operator wrong_runs(:validating, old_set: true, early: 2000),
                    :>,
                    0,
                    "the DS was not forgotten yet"
    without_sum = Records::Handover.instance_method(:asked_for)
    shorter =
      Records::Handover.new(
        parent_ns: 100,
        zone_ns: 50,
        greatest: 10,
        negative: 5,
        registry: 7,
        old_set: true
      )
    assert_equal [107, 157],
                 [
                   without_sum.bind_call(shorter),
                   shorter.dup.tap { |h| h.old_set = false }.asked_for
                 ]
  end
end
