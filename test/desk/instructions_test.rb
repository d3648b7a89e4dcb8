# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# What a person is told to do: the account, the place, the value to type; and that nothing half is
# said.
class InstructionsTest < Minitest::Test
  include ByHand

  Hands = SteadyMove::Desk::Moves::ManualSteps

  # A move of a name with chosen ways, as if its step were due.
  def hand(name, step, ways)
    id = world.start(name, to: "orlop")
    move = world.move(id)
    plan =
      Core::Moves::Plan.of(
        **move.plan.given,
        ways: move.plan.ways.merge(ways),
        options: %i[carry lock code ask privacy identity contact privacy_back lock_back]
      )
    own = (plan.steps + plan.endings).find { |s| s.id == step }
    state = Core::Moves::StepState.new(step: own, phase: "due", turn: "yours")
    SteadyMove::Desk::Moves::Instructions.new(world.app).for_step(
      move.dup.tap { |m| m.plan = plan },
      state
    )
  ensure
    world.app.moves.close(id) if id
  end

  # step, ways => [place, its sign-in, a part of what is done, how many values are typed]; nil: the
  # desk does it itself
  TOLD = [
    ["unlock", { "unlock" => "connection" }, nil],
    ["unlock", { "unlock" => "page" }, ["millrace", "kelpsound", "take the transfer lock off", 0]],
    ["unlock", { "unlock" => "letter" }, ["millrace", "kelpsound", "Write to its support", 0]],
    ["ask-code", { "code" => "page" }, ["millrace", "kelpsound", "paste it here", 0]],
    [
      "ask-code",
      { "code" => "mail" },
      ["millrace", "kelpsound", "sent by email to clerk@kelp-office.example", 0]
    ],
    [
      "privacy-off",
      { "privacy" => "page" },
      ["millrace", "kelpsound", "turn the privacy service off", 0]
    ],
    [
      "privacy-off",
      { "privacy" => "service" },
      ["service-millrace", "kelpsound", "turn the privacy service off", 0]
    ],
    [
      "identity",
      { "privacy" => "service" },
      ["service-millrace", "kelpsound", "identity check", 0]
    ],
    ["privacy-again", { "privacy" => "service" }, ["service-millrace", "kelpsound", "on again", 0]],
    [
      "privacy-back",
      { "privacy_back" => "page" },
      ["orlop", "saltern-web", "turn the privacy service on", 0]
    ],
    [
      "make-safe",
      { "unlock" => "page" },
      ["millrace", "kelpsound", "put the transfer lock on again", 0]
    ],
    [
      "release",
      { "release" => "page" },
      ["millrace", "kelpsound", "Approve the transfer of kelpsound.example", 0]
    ],
    [
      "release",
      { "release" => "link" },
      ["millrace", "kelpsound", "Open the link in its email", 0]
    ],
    [
      "release",
      { "release" => "link", "silence" => "lapses" },
      ["registry", nil, "Open the link in its email", 0]
    ],
    [
      "switch-ns",
      { "name_servers" => "page" },
      ["millrace", "kelpsound", "set its name servers", 2]
    ],
    ["prove-contact", { "proof" => "page" }, ["contact", nil, "clerk@kelp-office.example", 0]],
    ["prove-contact", { "proof" => "connection" }, nil]
  ].freeze

  def test_where_as_whom_and_what
    live_with("millrace")
    TOLD.each do |step, ways, expected|
      told = hand("kelpsound.example", step, ways)
      next assert_nil(told, [step, ways].inspect) unless expected

      place, login, does, values = expected
      assert_equal [place, login, values],
                   [told.place, told.login, told.typed.size],
                   [step, ways].inspect
      assert_includes told.does, does, [step, ways].inspect
      refute_match(/\{\w+\}|\?/, told.does, "a hole in #{step}")
    end
  end

  # One thing that can't be said, and nothing is.
  def test_nothing_half_is_said
    live_with("millrace")
    id = start("slipway.example")
    before = world.app.db[:events].count
    [[[id, "unlock"], [id, "order"]], [[id, "unlock"], [999, "unlock"]]].each do |steps|
      assert_raises(SteadyMove::Desk::Refused) { hands.said(steps, by: ADA) }
    end
    assert_raises(SteadyMove::Desk::Refused) do
      hands.consent([id], given_by: "Pearl", ends: world.app.now + 60, by: ADA)
    end
    assert_equal [before, nil], [world.app.db[:events].count, state(id).set_going_at("unlock")]
  end

  # A move that has ended takes no word any more.
  def test_nothing_is_said_of_what_has_ended
    live_with("millrace")
    id = start("slipway.example")
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    assert_raises(SteadyMove::Desk::Refused) { hands.said([[id, "unlock"]], by: ADA) }
    assert_raises(SteadyMove::Desk::Refused) { hands.new_code(id, by: ADA) }
    assert_empty hands.places.flat_map(&:items).map(&:step) - %w[make-safe]
  end
end
