# frozen_string_literal: true

require_relative "../test_helper"

# In which order the names of a batch start (common practice, no source): a table of cases by hand,
# and what must hold of any proposal over random batches.
class WavesTest < Minitest::Test
  W = SteadyMove::Core::Batches::Waves
  NOW = Time.utc(2027, 3, 1, 10)
  DAY = 86_400

  def member(name, risk: 0, at: "one", groups: [], takes: [DAY, 2 * DAY, 5 * DAY], **begun)
    W::Member.new(name: name, registrar: at, groups: groups, risk: risk, takes: takes, **begun)
  end

  def rules(trial: false, per_day: nil, blackouts: [])
    W::Rules.new(trial: trial, per_day: per_day, blackouts: blackouts)
  end

  def told(members, rules)
    W.propose(members, rules, at: NOW).map { |w| [w.names, w.starts_at - NOW, w.why] }
  end

  MIDNIGHT = 14 * 3600
  THREE = %w[a b c].freeze
  # what => [members, rules, expected waves: names, seconds from now, why]
  CASES = {
    "all at once where nothing speaks against it" => [
      ->(t) { THREE.map { |n| t.member(n) } },
      {},
      [[%w[a b c], 0, :first]]
    ],
    "the least risk on trial, the rest when it has usually landed" => [
      ->(t) { [t.member("a", risk: 9), t.member("b"), t.member("c", risk: 3)] },
      { trial: true },
      [[%w[b], 0, :trial], [%w[c a], 2 * DAY, :after]]
    ],
    "a trial that landed lets the rest go at once" => [
      ->(t) { [t.member("a"), t.member("b", started_at: NOW - DAY, landed_at: NOW - 60)] },
      { trial: true },
      [[%w[a], 0, :after]]
    ],
    "a trial that is late is waited for" => [
      ->(t) { [t.member("a"), t.member("b", started_at: NOW - (9 * DAY))] },
      { trial: true },
      [[%w[a], 3600, :after]]
    ],
    "two a day at one registrar, another's count apart" => [
      ->(t) { [*THREE.map { |n| t.member(n) }, t.member("d", at: "two")] },
      { per_day: 2 },
      [[%w[a b d], 0, :first], [%w[c], MIDNIGHT, :limit]]
    ],
    "nothing under way in a black-out span, not even its end" => [
      ->(t) { [t.member("a"), t.member("b", takes: [1, 2, 3])] },
      { blackouts: [[NOW + DAY, NOW + (3 * DAY)]] },
      [[%w[b], 0, :first], [%w[a], 3 * DAY, :blackout]]
    ],
    "of names that hang together never all at once" => [
      ->(t) { THREE.map { |n| t.member(n, groups: %w[site]) } },
      {},
      [[%w[a b], 0, :first], [%w[c], 5 * DAY, :together]]
    ],
    "the nearest expiry first, and no trial is waited for past it" => [
      ->(t) do
        [
          t.member("a"),
          t.member("b", latest: NOW + DAY),
          t.member("c", latest: NOW + (4 * DAY), risk: 9)
        ]
      end,
      { trial: true },
      [[%w[b], 0, :trial], [%w[c a], 2 * DAY, :after]]
    ],
    "two that expire before a trial would have landed" => [
      ->(t) do
        [
          t.member("a"),
          t.member("b", latest: NOW + DAY),
          t.member("c", latest: NOW + 3600, risk: 9)
        ]
      end,
      { trial: true },
      [[%w[c b], 0, :expiry], [%w[a], 2 * DAY, :after]]
    ]
  }.freeze

  # What would start after its latest instant all the same is named.
  def test_what_starts_too_late_is_named
    late = member("b", latest: NOW + DAY)
    waves = W.propose([member("a", latest: NOW + 60), late], rules(per_day: 1), at: NOW)
    assert_equal([[%w[a], []], [%w[b], []]], waves.map { |w| [w.names, w.late] })
    waves = W.propose([late], rules(blackouts: [[NOW, NOW + (3 * DAY)]]), at: NOW)
    assert_equal([[%w[b], %w[b]]], waves.map { |w| [w.names, w.late] })
  end

  def test_the_table
    CASES.each do |what, (members, given, expected)|
      assert_equal expected, told(members.call(self), rules(**given)), what
    end
  end

  def test_what_holds_of_any_batch
    random = Random.new(7)
    60.times do
      members = Array.new(random.rand(2..40)) { |i| drawn(i, random) }
      spans =
        Array.new(random.rand(3)) do
          (NOW + (random.rand(20) * DAY)).then { |a| [a, a + (random.rand(1..5) * DAY)] }
        end
      given =
        rules(
          trial: random.rand(2).zero?,
          per_day: [nil, 1, 3].sample(random: random),
          blackouts: spans
        )
      holds(members, given, W.propose(members, given, at: NOW))
    end
  end

  private

  def drawn(number, random)
    least = random.rand(DAY)
    member(
      "n#{number}",
      risk: random.rand(4),
      at: %w[one two].sample(random: random),
      takes: [least, least + DAY, least + (random.rand(2..6) * DAY)],
      groups: random.rand(4).zero? ? %w[g] : []
    )
  end

  def holds(members, given, waves)
    by_name = members.to_h { |m| [m.name, m] }
    starts = waves.flat_map { |w| w.names.map { |n| [by_name[n], w.starts_at] } }
    assert_equal members.map(&:name).sort, starts.map { |m, _| m.name }.sort, "each once"
    assert_equal 1, waves.first.names.size if given.trial
    starts.each do |m, at|
      assert(
        given.blackouts.none? { |a, b| at < b && at + m.takes.last > a },
        "#{m.name} in a black-out"
      )
    end
    days = starts.group_by { |m, at| [m.registrar, at.to_i / DAY] }.values.map(&:size)
    assert_operator days.max, :<=, given.per_day if given.per_day
    apart(starts.select { |m, _| m.groups.any? })
  end

  # At no instant are all of a group under way.
  def apart(group)
    return if group.size < 2

    group
      .map(&:last)
      .each do |instant|
        assert(
          group.any? { |m, at| instant < at || instant >= at + m.takes.last },
          "all of a group at once"
        )
      end
  end
end
