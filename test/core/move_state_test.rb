# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/plans"

class MoveStateTest < Minitest::Test
  include Plans

  START = Time.utc(2027, 3, 1, 8)

  def plan(options = %i[carry lock code])
    Core::Moves::Plan.of(
      name: "ferry.example",
      from: "a",
      to: "b",
      options: with_back(options),
      settle_seconds: 93_600,
      response_days: 5,
      years: 1
    )
  end

  def event(type, step = nil, after: 0, **data)
    Core::Moves::Event.new(
      seq: 0,
      at: START + after,
      type: type,
      step: step,
      says: "#{type} #{step}",
      evidence: {
      },
      by: "desk",
      data: data.transform_keys(&:to_s)
    )
  end

  def state(*events, options: %i[carry lock code])
    Core::Moves::State.fold(plan(options), [event("planned"), *events])
  end
  def done(*steps) = steps.map { |s| event("done", s) }

  RECORDS = %w[fetch-zone put-zone compare-hosts switch-ns ns-shown ns-settled].freeze
  READY = (RECORDS + %w[unlock lock-gone get-code check-code]).freeze

  # steps done => [stage, whose turn, active steps]
  CASES = [
    [[], ["Survey", "desk", %w[fetch-zone]]],
    [RECORDS.first(5), ["Make ready", "clock", %w[ns-settled]]],
    [RECORDS, ["Make ready", "desk", %w[unlock get-code]]],
    [RECORDS + %w[unlock get-code check-code], ["Make ready", "theirs", %w[lock-gone]]],
    [READY, ["Ordered", "desk", %w[order]]],
    [READY + %w[order], ["Ordered", "theirs", %w[registry-pending]]],
    [READY + %w[order registry-pending], ["Release", "yours", %w[release]]],
    [READY + %w[order registry-pending release], ["Landed", "theirs", %w[landed]]]
  ].freeze

  def test_stage_and_turn_follow_from_what_is_proven
    CASES.each do |steps, (stage, turn, active)|
      found = state(*done(*steps))
      assert_equal [stage, turn, active],
                   [found.stage, found.turn, found.active.map { |s| s.step.id }],
                   steps.last
    end
  end

  def test_without_carry_lock_and_code_only_the_transfer_is_left
    assert_equal(
      %w[order registry-pending release landed check-landed],
      state(options: []).steps.map { |s| s.step.id }
    )
    assert_equal(%w[order], state(options: []).active.map { |s| s.step.id })
  end

  def test_repeats_and_any_order_of_proofs_end_in_the_same_state
    once = done(*READY)
    shuffled = state(*(once + once).shuffle(random: Random.new(3)))
    assert_equal state(*once).steps.map(&:phase), shuffled.steps.map(&:phase)
  end

  def test_a_problem_that_only_a_person_can_solve_is_theirs_to_solve
    assert_equal "yours", state(event("problem", "fetch-zone", yours: true)).turn
    assert_equal "theirs", state(event("problem", "fetch-zone")).turn
  end

  def test_a_reopened_step_is_to_be_done_again
    found = state(*done(*READY), event("reopened", "get-code"))
    assert_equal(%w[get-code], found.active.map { |s| s.step.id })
  end

  def test_an_act_without_a_result_is_known_as_such
    begun = state(*done(*READY), event("intended", "order"))
    assert_equal [1, 0], [begun.tries("order"), state(*done(*READY)).tries("order")]
  end

  # How a move ends: [events, stage, still open, active steps]
  ENDINGS = [
    [%w[called-off], [], "Cancelled", false, []],
    [%w[called-off], %w[unlock], "Cancelled", true, %w[make-safe]],
    [%w[refused], %w[unlock order], "Refused", true, %w[make-safe]]
  ].freeze

  def test_a_move_that_ends_without_landing_is_made_safe
    ENDINGS.each do |types, begun, stage, open, active|
      found = state(*begun.map { |s| event("intended", s) }, *types.map { |t| event(t) })
      assert_equal [stage, open, active],
                   [found.stage, found.open?, found.active.map { |s| s.step.id }]
      refute_predicate state(
                         *begun.map { |s| event("intended", s) },
                         *types.map { |t| event(t) },
                         event("done", "make-safe")
                       ),
                       :open?
    end
  end

  def test_the_schedule_is_the_longest_path
    blocks = Core::Forecast::Schedule.draft(state(*done(*RECORDS.first(5))), at: START)
    settle = blocks.find { |b| b.id == "ns-settled" }
    assert_equal [START + 93_600] * 3, settle.ends
    finish = Core::Forecast::Schedule.finish(blocks)
    assert_operator finish[0], :<, finish[1]
    # the most: caches, then unlock 5 min, lock shown 1 h, order 5 min, pending 1 h, silence 5 d,
    # landing 2 h, lock 5 min, checks 1 h
    assert_equal START + 93_600 + 300 + 3600 + 300 + 3600 + (5 * 86_400) + 7200 + 300 + 3600,
                 finish[2]
  end

  # Whatever a plan has of parts, its steps follow each other; servers that come with the order are
  # told after it, and switched before it is confirmed or once the name has landed.
  LATE = %i[carry later servers_late].freeze

  def test_every_choice_of_parts_has_an_order
    parts = Core::Moves::Steps.all.flat_map { |s| parts_of(s) }.compact.uniq
    free = parts - %i[servers_late servers_held servers_landed ds_after ds_first later push]
    random = Random.new(7)
    600.times do
      some = free.select { random.rand < 0.5 }
      late = %i[servers_held servers_landed].sample(random: random)
      ds = some.include?(:signed) ? [:ds_first, (:ds_after if late == :servers_landed)].compact : []
      [some, some | [:push], some | LATE | [late] | ds].each { |options| in_order(options) }
    end
  end

  def parts_of(step)
    [step.option, *step.except, step.eased&.first, *(step.adds + step.spares).map(&:first)]
  end

  def in_order(options)
    steps, = Core::Moves::Steps.resolve(options, {}, {})
    at = steps.each_with_index.to_h { |s, i| [s.id, i] }
    steps.each { |s| s.needs.each { |id| assert_operator at[id], :<, at[s.id], options.inspect } }
    with_the_order(at, options.include?(:servers_landed)) if (LATE - options).empty? && at["order"]
  end

  def with_the_order(at, landed)
    assert_operator at["order"], :<, at["servers-known"]
    return assert_operator at["switch-ns"], :>, at["servers-known"] unless landed

    assert_operator at["switch-ns-after"], :>, at["landed"]
  end
end
