# frozen_string_literal: true

require_relative "../test_helper"

# No state is without a way out: from each, acts that a person has lead to an end.
class WaysOutTest < Minitest::Test
  Moves = Core::Moves
  START = Time.utc(2027, 3, 1, 8)
  OPTIONS = %i[carry lock code ask privacy identity contact lock_back privacy_back].freeze
  # What comes with a gaining side that offers no connection.
  OUTSIDE = %i[outside confirm_link confirm_halves confirm_code settings].freeze
  # How a step can stand: the events that bring it there.
  STANDS = {
    "due" => [],
    "under-way" => ["waiting"],
    "stuck" => ["problem"],
    "said" => ["said"]
  }.freeze

  def plan(ways)
    options = ways["order"] == "page" ? OPTIONS + OUTSIDE : OPTIONS
    Moves::Plan.of(
      name: "ferry.example",
      from: "a",
      to: "b",
      options: options,
      ways: ways,
      settle_seconds: 0,
      response_days: 5,
      years: 1
    )
  end

  def event(type, step = nil, **data)
    Moves::Event.new(
      seq: 0,
      at: START,
      type: type,
      step: step,
      says: type,
      evidence: {
      },
      by: "x",
      data: data.transform_keys(&:to_s)
    )
  end

  # The move with a step in one of its stands, all before it done.
  def standing(plan, step, stand)
    before = plan.steps.take_while { |s| s.id != step.id }
    [
      event("planned"),
      *before.map { |s| event("done", s.id) },
      *STANDS[stand].map { |t| event(t, step.id, yours: true) }
    ]
  end

  # Calls off what has not landed; leaves as they are the steps that may be left. What a person can
  # do, not the desk.
  def ended?(plan, events)
    10.times do
      state = Moves::State.fold(plan, events)
      return true unless state.open?

      events +=
        if state.ending.nil? && !state.landed?
          [event("called-off")]
        else
          left(state)
        end
    end
    false
  end

  def left(state)
    waivable = state.active.select { |s| s.step.trait?(:waivable) }
    flunk "nothing can be done at #{state.active.map { |s| s.step.id }}" if waivable.empty?
    waivable.flat_map do |s|
      [
        event("accepted", s.step.id, whole: true, reason: "x"),
        (event("settled") if s.step.trait?(:settles))
      ].compact
    end
  end

  def test_every_state_can_be_ended
    count = 0
    [
      {},
      { "unlock" => "page", "privacy" => "service", "release" => "link" },
      {
        "order" => "page",
        "unlock" => "page",
        "code" => "page",
        "release" => "letter",
        "lock_back" => "page"
      },
      { "unlock" => "letter", "code" => "letter", "release" => "letter" }
    ].each do |ways|
      plan = plan(ways)
      plan
        .steps
        .product(STANDS.keys)
        .each do |step, stand|
          assert ended?(plan, standing(plan, step, stand)), "#{step.id} #{stand} #{ways}"
          count += 1
        end
    end
    assert_operator count, :>=, 250
  end

  # Every result code of RFC 5730 §3 has a meaning for every command.
  COMMANDS = [
    "login",
    "info",
    "update",
    "poll",
    "transfer request",
    "transfer query",
    "transfer approve",
    "transfer reject",
    "transfer cancel"
  ].freeze
  CODES = [
    1000,
    1001,
    1300,
    1301,
    1500,
    *2000..2005,
    *2100..2106,
    *2200..2202,
    *2300..2308,
    2400,
    2500,
    2501,
    2502
  ].freeze

  def test_every_result_code_has_a_meaning
    COMMANDS
      .product(CODES)
      .each do |command, code|
        meaning = Moves::Answers.meaning(command, code)
        assert_includes Moves::Answers::MEANINGS, meaning, "#{command} #{code}"
        assert_equal code < 2000, meaning == :done, "#{command} #{code}"
        assert SteadyMove::Words.say(:"answers.#{meaning}", says: "x", code: code)
      end
    assert_equal %i[theirs policy done],
                 [2599, 2999, 1999].map { |c| Moves::Answers.meaning("info", c) },
                 "what RFC 5730 does not list"
  end
end
