# frozen_string_literal: true

require_relative "../test_helper"

# What a card says of time: what an instant means, whose turn it is, what can be done from it.
# Nothing of it is decided in the page.
class MoveViewTest < Minitest::Test
  Moves = Core::Moves
  View = SteadyMove::Web::Views::MoveView
  START = Time.utc(2027, 3, 1, 8)
  WORDS = {
    name: "ferry.example",
    from: "A",
    to: "B",
    old_host: "O",
    new_host: "N",
    keeper: "K"
  }.freeze

  def move(options, ways, events)
    plan =
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
    list =
      [["planned", nil, 0], *events].map do |type, step, after, data|
        Moves::Event.new(
          seq: 1,
          at: START + after,
          type: type,
          step: step,
          says: type,
          evidence: {
          },
          by: "desk",
          data: data || {}
        )
      end
    SteadyMove::Store::Moves::Move.new(
      id: 7,
      name: "ferry.example",
      plan: plan,
      started_at: START,
      open: true,
      events: list,
      state: Moves::State.fold(plan, list)
    )
  end

  def card(options, ways, events, at: 60)
    View.card(move(options, ways, events), WORDS, {}, START + at, SHORT)
  end

  SHORT =
    Struct
      .new(:uptime, :result) do
        def uptime(_) = SteadyMove::Desk::Planning::InShort::Uptime.new
        def result(_) = nil
      end
      .new
  READY = %w[unlock lock-gone order].map { |s| ["done", s, 10] }.freeze
  DEADLINE = START + (5 * 86_400)
  PENDING = [*READY, ["done", "registry-pending", 20, { "deadline" => DEADLINE }]].freeze

  # ways, events => [step, turn, what the instant means, seconds from the start until it]
  CARDS = [
    [{}, [], ["unlock", "desk", "over", 300]],
    [{}, [["done", "unlock", 10]], ["lock-gone", "theirs", "late", 3610]],
    [{ "unlock" => "page" }, [], ["unlock", "yours", nil, nil]],
    [{ "unlock" => "page" }, [["said", "unlock", 100]], ["unlock", "theirs", "late", 3700]],
    [{ "unlock" => "letter" }, [["letter", "unlock", 100]], ["unlock", "theirs", "late", 432_100]],
    [
      { "unlock" => "page" },
      [["said", "unlock", 100], ["problem", "unlock", 4000, { "yours" => true }]],
      ["unlock", "yours", nil, nil]
    ],
    [{}, PENDING, ["release", "yours", "by-itself", 432_000]],
    [{ "release" => "link", "silence" => "lapses" }, PENDING, ["release", "yours", nil, nil]]
  ].freeze

  def test_what_an_instant_means
    CARDS.each do |ways, events, (step, turn, means, seconds)|
      shown = card(%i[lock], ways, events)
      ends = shown[:until] && (Time.iso8601(shown[:until]) - START).to_i
      assert_equal [step, turn, means, seconds],
                   [*shown.values_at(:step, :turn, :until_means), ends],
                   [ways, events].inspect
    end
  end

  # ways => [may the release be approved from the card, is it done by hand]
  RELEASES = [
    [{}, [true, false]],
    [{ "release" => "page" }, [false, true]],
    [{ "release" => "letter" }, [false, true]]
  ].freeze

  def test_who_approves
    RELEASES.each do |ways, expected|
      assert_equal expected,
                   card(%i[lock], ways, PENDING).values_at(:can_approve, :by_hand),
                   ways.inspect
    end
  end

  # Nothing is pending yet: it can't be approved, only wished for.
  def test_nothing_is_approved_before_it_is_asked_for
    events = [*PENDING, ["waiting", "release", 700, { "early" => true }]]
    refute card(%i[lock], {}, events)[:can_approve]
    assert card(%i[lock], {}, events[0..-2])[:can_approve]
  end

  # events, now (seconds) => [seconds public, longer than consented]; consent ends after 1,000
  # seconds
  CONSENT = [
    "consent",
    "consent",
    5,
    { "given_by" => "P", "shown" => [], "from" => START, "until" => START + 1000 }
  ].freeze
  EXPOSED = [
    [[["done", "contacts-shown", 100]], 400, [300, false]],
    [[["done", "contacts-shown", 100]], 1100, [1000, true]],
    [[["done", "contacts-shown", 100], ["done", "privacy-back", 500]], 9000, [400, false]],
    [[["done", "contacts-shown", 100], ["done", "privacy-back", 1500]], 9000, [1400, true]]
  ].freeze

  def test_how_long_the_contacts_were_public
    EXPOSED.each do |events, now, expected|
      assert_equal expected,
                   card(%i[privacy privacy_back], {}, [CONSENT, *events], at: now)[
                     :exposed
                   ].values_at(:seconds, :over),
                   events.inspect
    end
    assert_nil card(%i[privacy privacy_back], {}, [CONSENT])[:exposed]
  end
end
