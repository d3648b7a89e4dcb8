# frozen_string_literal: true

require_relative "../support/step_alone"

# The steps of a transfer alone: what shows of it, and what is made of that.
class TransfersAloneTest < Minitest::Test
  include StepAlone

  SAYS = SteadyMove::Words.phrase("steps.ds-out.none", name: "ferry.example").freeze
  ORDERED = [%w[intended order], %w[done order]].freeze
  HOURS = 3600

  def sight(stage, how: nil, deadline: nil)
    Sight.new(stage: stage, how: how, deadline: deadline, says: SAYS, source: :record)
  end

  def transfer(status)
    Transfer.new(
      status: status,
      requested_at: START,
      requested_by: "b",
      act_at: START + (120 * HOURS)
    )
  end

  # Over a connection to the gaining side: the state of our transfer there (RFC 5730 §2.9.3.4).
  TRANSFERS = {
    "pending" => ["waiting", "steps.release.silence", 6 * HOURS],
    "clientApproved" => ["done", "transfer.approved", nil],
    "serverApproved" => ["done", "transfer.approved_by_silence", nil],
    "clientRejected" => ["ended", "transfer.refused", nil],
    "clientCancelled" => ["ended", "transfer.cancelled", nil],
    "serverCancelled" => ["ended", "transfer.refused", nil],
    nil => ["problem", "steps.release.none", nil]
  }.freeze

  def test_a_release_that_the_registry_tells_of
    TRANSFERS.each do |status, wanted|
      given = { transfer: status && transfer(status), options: %i[lock code] }
      found, = look("release", told: events(ORDERED), **given)
      assert_equal wanted, [found.kind, found.says.key, again(found)], status
    end
  end

  BY_PAGE = { "release" => "page" }.freeze
  BY_LETTER = { "release" => "letter" }.freeze
  SAID = [%w[said release]].freeze
  WORDS = [*ORDERED, ["refused", nil, { words: true }]].freeze

  # step, how it is called, what shows, what else is so; [kind, sentence, seconds]. PAST: what was
  # seen says it itself.
  SEEN = "steps.ds-out.none"
  SIGHTS = [
    ["release", [:over], {}, ["problem", SEEN, 6 * HOURS]],
    ["release", [:over, "refused"], {}, ["ended", "outside.ended_refused", nil]],
    ["release", [:released], {}, ["done", SEEN, nil]],
    ["release", [:landed], {}, ["done", SEEN, nil]],
    ["release", [:nothing], {}, ["waiting", "steps.release.as_soon_as", 900]],
    ["release", [:pending], {}, ["waiting", "steps.release.silence", HOURS]],
    [
      "release",
      [:pending],
      { told: [["approved", nil]] },
      ["waiting", "steps.release.passed_on", HOURS]
    ],
    ["release", [:pending], { told: SAID, ways: BY_PAGE }, ["waiting", "steps.release.said", 900]],
    [
      "release",
      [:pending],
      { told: SAID, ways: BY_PAGE, after: 2 * HOURS },
      ["problem", "steps.release.late_said", 3 * HOURS]
    ],
    [
      "release",
      [:pending],
      { told: SAID, ways: BY_LETTER, after: 71 * HOURS },
      ["waiting", "steps.release.written", 72 * HOURS]
    ],
    [
      "release",
      [:pending],
      { told: SAID, ways: BY_LETTER, after: 72 * HOURS },
      ["problem", "steps.release.late_written", 73 * HOURS]
    ],
    ["registry-pending", [:over], {}, ["problem", SEEN, 6 * HOURS]],
    ["registry-pending", [:pending], {}, ["done", SEEN, nil]],
    [
      "registry-pending",
      [:nothing],
      { locked: true },
      ["problem", "steps.registry-pending.locked_again", HOURS]
    ],
    ["registry-pending", [:nothing], {}, ["waiting", "steps.registry-pending.not_yet", 1800]],
    [
      "registry-pending",
      [:nothing],
      { after: 48 * HOURS },
      ["problem", "steps.registry-pending.late", 54 * HOURS]
    ],
    ["landed", [:elsewhere], {}, ["problem", SEEN, 6 * HOURS]],
    ["landed", [:over], {}, ["problem", SEEN, 6 * HOURS]],
    ["landed", [:over, "lapsed"], {}, ["ended", "outside.ended_lapsed", nil]],
    ["landed", [:pending], {}, ["waiting", "steps.landed.not_shown", 900]]
  ].freeze

  # The approval goes out once, also where it was asked for beforehand; what the losing side took
  # already is not sent again.
  def test_an_approval_is_sent
    given = { options: %i[lock code outside], sight: sight(:pending) }
    approved = [*ORDERED, ["approved", nil]]
    tried = [*approved, %w[intended release]]
    {
      [ORDERED, nil] => 0,
      [approved, nil] => 1,
      [tried, "pending"] => 1,
      [tried, "clientApproved"] => 0
    }.each do |(told, status), sent|
      there = status && transfer(status)
      _, job, = look("release", told: events(told), transfer: there, **given)
      assert_equal sent, job.sent.grep(/op="approve"/).size, [told, status].inspect
    end
  end

  def test_what_shows_from_outside
    SIGHTS.each do |step, shows, so, wanted|
      stage, how = shows
      told = events([*ORDERED, *so[:told]])
      given = {
        options: %i[lock code outside],
        **so,
        sight: sight(stage, how: how, deadline: START + (120 * HOURS))
      }
      found, = look(step, **given, told: told)
      assert_equal wanted, [found.kind, found.says.key, again(found)], [step, shows, so.inspect]
    end
  end

  # Seen over connections to both sides: the registry's transfer, what the record shows; [kind,
  # sentence, seconds].
  ALONE = { options: %i[lock code] }.freeze
  ARRIVED = { gaining: { shown: true }, info: { sponsor: "b" } }.freeze
  WITHIN = { options: %i[within], plan: { expires_at: START } }.freeze
  LATE_DAY = [["done", "registry-pending", { deadline: START }]].freeze
  CONNECTED = [
    ["registry-pending", nil, ALONE, ["waiting", "steps.registry-pending.not_yet", 300]],
    ["registry-pending", "pending", ALONE, ["waiting", "steps.registry-pending.not_yet", 300]],
    [
      "registry-pending",
      "pending",
      { **ALONE, statuses: %w[pendingTransfer] },
      ["done", "steps.registry-pending.done", nil]
    ],
    ["registry-pending", "serverApproved", ALONE, ["done", "steps.registry-pending.done", nil]],
    ["registry-pending", "clientRejected", ALONE, ["ended", "transfer.refused", nil]],
    ["landed", nil, ALONE, ["waiting", "steps.landed.not_yet", 300]],
    ["landed", "clientApproved", ALONE, ["waiting", "steps.landed.not_yet", 300]],
    ["landed", "clientApproved", { **ALONE, **ARRIVED }, ["done", "steps.landed.done", nil]],
    ["landed", nil, WITHIN, ["done", "steps.landed.done", nil]],
    ["order", "pending", { **ALONE, told: ORDERED.first(1) }, ["done", "steps.order.done", nil]],
    ["order", nil, { **ALONE, told: [] }, ["done", "steps.order.done", nil]],
    [
      "order",
      nil,
      { options: %i[code], told: [], refusal: 2304 },
      ["problem", "steps.order.locked", 900]
    ]
  ].freeze

  def test_what_the_registry_says
    CONNECTED.each do |step, status, so, wanted|
      told = events(so.fetch(:told, ORDERED))
      found, = look(step, **so, told: told, transfer: status && transfer(status))
      row = [step, status, so.inspect]
      assert_equal wanted, [found.kind, found.says.key, again(found)], row
    end
  end

  # From outside, past its deadline: a person is asked which end it was.
  def test_a_landing_that_is_late
    told = [*ORDERED, *LATE_DAY, ["waiting", "landed", {}]]
    given = { options: %i[code outside], sight: sight(:nothing), told: events(told) }
    kinds = [47, 48].map { |hours| look("landed", after: hours * HOURS, **given).first.kind }
    assert_equal %w[waiting problem], kinds
    found, = look("landed", **given, sight: sight(:landed))
    assert_equal ["done", START], [found.kind, found.data["landed_at"]], "the record tells no day"
  end

  # What a losing side that is called upon to take an order back shows: stage, said before; done.
  WITHDRAWN = [
    [:over, [], true],
    [:nothing, [], false],
    [:nothing, [%w[said withdraw]], true],
    [:pending, [%w[said withdraw]], false]
  ].freeze

  def test_an_order_that_is_taken_back
    ways = { "order" => "page", "withdraw" => "page" }
    given = { options: %i[code outside], ways: ways }
    WITHDRAWN.each do |stage, said, done|
      told = events([*ORDERED, *CALLED_OFF, *said])
      seen, = look("withdraw", by: :withdrawn, sight: sight(stage), told: told, **given)
      assert_equal done, seen.done, [stage, said].inspect
    end
    on, = look("withdraw", by: :by_hand, sight: sight(:landed), told: events(ORDERED), **given)
    assert_equal %w[resumed steps.withdraw.released], [on.kind, on.says.key]
  end

  CALLED_OFF = [["called-off", nil]].freeze

  # What shows where no side has a connection, or the losing one has: record, messages; [stage,
  # end].
  PENDING = { statuses: %w[pendingTransfer] }.freeze
  KEYED = { losing: { keyed: true } }.freeze
  NOTICE = ["mail", nil, { kind: "leaving-notice", side: "losing" }].freeze
  REFUSED = ["mail", nil, { kind: "over", side: "losing", ended: true }].freeze
  LANDED = ["mail", nil, { kind: "landed", side: "registry" }].freeze
  OFFER = ["mail", nil, { kind: "offer", side: "gaining" }].freeze
  SEEN_PENDING = ["done", "registry-pending", { shown: true }].freeze
  WHERE = [
    [{}, [], :nothing, nil],
    [{ gaining: { shown: true } }, [], :landed, nil],
    [{ gaining: { shown: true, same: true }, losing: { same: true } }, [], :nothing, nil],
    [{ losing: { shown: false } }, [], :elsewhere, "Somebody Else"],
    [PENDING, [], :pending, nil],
    [PENDING, [REFUSED], :pending, nil],
    [{}, [NOTICE], :pending, nil],
    [{}, [NOTICE, REFUSED], :over, "refused"],
    [{}, [LANDED], :released, nil],
    [{}, [OFFER], :nothing, nil],
    [{}, [SEEN_PENDING], :over, nil],
    [{ **KEYED, transfer: "pending" }, [], :pending, nil],
    [{ **KEYED, transfer: "serverApproved" }, [], :released, nil],
    [{ **KEYED, transfer: "clientCancelled" }, [], :over, "cancelled"],
    [{ **KEYED, transfer: "serverCancelled" }, [], :over, "lapsed"],
    [{ **KEYED, transfer: "clientRejected" }, [], :over, "refused"],
    [{ **KEYED, transfer: "clientRejected", before: true }, [], :nothing, nil],
    [KEYED, [NOTICE], :pending, nil]
  ].freeze

  def test_where_a_transfer_stands
    WHERE.each do |so, told, stage, how|
      status = so[:transfer] && transfer(so[:transfer])
      status.requested_at -= 90 if so[:before]
      act = look_at(so.except(:transfer, :before), [*ORDERED, *told], status)
      sight = Moves.const_get(:Outside).new(act).sight
      assert_equal [stage, how], [sight.stage, sight.how], [so, told].inspect
      assert_operator SteadyMove::Words.text(sight.says).length, :>, 15
    end
  end

  # Where there is no order yet, no message counts and no transfer is ours.
  def test_before_an_order
    act = look_at({ **KEYED }, [], nil)
    assert_equal :nothing, Moves.const_get(:Outside).new(act).sight.stage
  end

  # A step that looks from outside.
  def look_at(so, told, transfer)
    given = { ports: ports({}), transfer: transfer, **outside(so) }
    plan = { options: %i[code outside] }
    Moves
      .const_get(:Act)
      .class_for("landed")
      .new(Alone.new(move(*events(told), **plan), "landed", given))
  end
end
