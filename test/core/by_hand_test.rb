# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/plans"

# Steps that people do: which there are for which habits, whose turn they are, and what counts as
# done. Invented names.
class ByHandStepsTest < Minitest::Test
  include Plans

  Moves = Core::Moves
  START = Time.utc(2027, 3, 1, 8)
  WORDS = {
    name: "ferry.example",
    from: "A",
    to: "B",
    old_host: "O",
    new_host: "N",
    service: "S",
    keeper: "K"
  }.freeze

  def plan(options, ways = {}, **more)
    Moves::Plan.of(
      name: "ferry.example",
      from: "a",
      to: "b",
      options: with_back(options),
      ways: ways,
      settle_seconds: 0,
      response_days: 5,
      years: 1,
      **more
    )
  end

  def event(type, step = nil, after: 0, **data)
    Moves::Event.new(
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

  def state(plan, *events) = Moves::State.fold(plan, [event("planned"), *events])
  def done(*steps) = steps.map { |s| event("done", s) }

  # kind, what the account's habits say => how each act is done there
  WAYS = [
    [
      "epp",
      nil,
      {
        "unlock" => "connection",
        "code" => "connection",
        "privacy" => "page",
        "release" => "connection"
      }
    ],
    ["epp", { "code" => "mail" }, { "unlock" => "connection", "code" => "mail" }],
    [
      "by_hand",
      nil,
      {
        "unlock" => "page",
        "code" => "page",
        "contacts" => "page",
        "name_servers" => "page",
        "release" => "page"
      }
    ],
    [
      "by_hand",
      { "unlock" => "connection", "privacy" => "service" },
      { "unlock" => "page", "privacy" => "service" }
    ],
    [
      "by_hand",
      { "unlock" => "letter", "release" => "link" },
      { "unlock" => "letter", "release" => "link", "code" => "page" }
    ],
    [
      "epp",
      { "privacy" => "connection", "unlock" => "smoke" },
      { "privacy" => "page", "unlock" => "connection" }
    ]
  ].freeze

  def test_how_each_act_is_done
    WAYS.each do |kind, chosen, expected|
      assert_equal expected,
                   Moves::Channels.effective(kind, chosen).slice(*expected.keys),
                   [kind, chosen].inspect
    end
  end

  # options => the steps in their order
  STEPS = {
    %i[lock code] => %w[
      unlock
      lock-gone
      get-code
      check-code
      order
      registry-pending
      release
      landed
      lock-back
      check-landed
    ],
    %i[lock code ask] => %w[
      unlock
      lock-gone
      ask-code
      get-code
      check-code
      order
      registry-pending
      release
      landed
      lock-back
      check-landed
    ],
    %i[lock code ask contact] => %w[
      prove-contact
      unlock
      lock-gone
      ask-code
      get-code
      check-code
      order
      registry-pending
      release
      landed
      lock-back
      check-landed
    ],
    %i[privacy] => %w[
      consent
      privacy-off
      contacts-shown
      order
      registry-pending
      release
      landed
      privacy-back
      check-landed
    ],
    %i[privacy identity contact] => %w[
      consent
      identity
      privacy-off
      contacts-shown
      prove-contact
      order
      registry-pending
      release
      landed
      privacy-back
      check-landed
    ],
    %i[contact] => %w[prove-contact order registry-pending release landed check-landed]
  }.freeze

  def test_each_option_brings_its_steps
    STEPS.each { |options, ids| assert_equal ids, plan(options).steps.map(&:id), options.inspect }
  end

  def test_every_step_needs_only_what_comes_before_it
    seen = []
    Moves::Steps.all.each do |step|
      assert_empty step.needs - seen, step.id
      seen << step.id
    end
  end

  # step, way => whose turn, [least, usual, most] seconds
  KINDS = [
    ["unlock", "connection", "clock", [5, 30, 300]],
    ["unlock", "page", "yours", [60, 900, 3600]],
    ["unlock", "letter", "yours", [3600, 86_400, 432_000]],
    ["ask-code", "mail", "yours", [60, 600, 3600]],
    ["ask-code", "letter", "yours", [3600, 86_400, 432_000]],
    ["switch-ns", "page", "yours", [60, 900, 3600]],
    ["release", "page", "yours", [60, 3600, 432_000]],
    ["get-code", "mail", "clock", [1, 5, 60]]
  ].freeze

  def test_one_definition_of_a_step_serves_every_way
    KINDS.each do |id, way, actor, takes|
      asked = id == "ask-code" && way == "mail" ? { code_takes: [60, 600, 3600] } : {}
      ways = { "unlock" => way, "code" => way, "name_servers" => way, "release" => way }
      own = plan(%i[carry lock code ask], ways, **asked).steps.find { |s| s.id == id }
      assert_equal [actor, takes], [own.actor, own.takes], [id, way].inspect
      assert_equal way != "connection" && id != "get-code", own.by_hand?, [id, way].inspect
      refute_includes SteadyMove::Words.say(:"steps.#{id}.title", **WORDS),
                      "%",
                      "a hole in the title of #{id}"
    end
  end

  # events of the step => [phase, whose turn, since when it is looked for (seconds), or nil]
  SAID = [
    [[], ["due", "yours", nil]],
    [[["waiting", 0]], ["under-way", "yours", nil]],
    [[["waiting", 0], ["said", 60]], ["under-way", "theirs", 60]],
    [[["letter", 60]], ["under-way", "theirs", 60]],
    [[["said", 60], ["waiting", 90]], ["under-way", "theirs", 60]],
    [[["said", 60], ["problem", 4000]], ["stuck", "yours", nil]],
    [[["said", 60], ["problem", 4000], ["said", 5000]], ["under-way", "theirs", 5000]],
    [[["said", 60], ["reopened", 4000]], ["under-way", "yours", nil]],
    [[["said", 60], ["done", 90]], ["done", nil, nil]]
  ].freeze

  def test_a_word_only_starts_the_looking
    SAID.each do |events, (phase, turn, since)|
      found =
        state(
          plan(%i[lock], { "unlock" => "page" }),
          *events.map do |type, after|
            event(type, "unlock", after: after, **(type == "problem" ? { yours: true } : {}))
          end
        )
      step = found["unlock"]
      assert_equal phase, step.phase, events.inspect
      next if phase == "done"

      assert_equal turn, step.turn, events.inspect
      if since
        assert_equal(START + since, found.set_going_at("unlock"), events.inspect)
      else
        assert_nil(found.set_going_at("unlock"), events.inspect)
      end
    end
  end

  # how far it came, how it ended => the steps that make it safe again
  SAFE = [
    [[], [], []],
    [[event = %w[said unlock]], %w[called-off], %w[make-safe]],
    [[%w[done unlock]], %w[called-off], %w[make-safe]],
    # the lock stood as a task beside it: it was shown, so it may be off
    [[%w[said privacy-off]], %w[called-off], %w[make-safe privacy-again]],
    [
      [%w[done privacy-off], %w[done unlock], %w[intended order]],
      %w[refused],
      %w[make-safe privacy-again]
    ],
    [[event, %w[done make-safe]], %w[called-off], []]
  ].freeze

  def test_what_was_opened_by_hand_is_closed_again
    SAFE.each do |begun, ended, active|
      found =
        state(
          plan(%i[lock privacy], { "unlock" => "page", "privacy" => "page" }),
          *begun.map { |type, step| event(type, step) },
          *ended.map { |t| event(t) }
        )
      next if ended.empty?

      assert_equal active, found.active.map { |s| s.step.id }, begun.inspect
      assert(found.active.all? { |s| s.step.by_hand? && s.turn == "yours" })
      assert_equal active.any?, found.open?
    end
  end

  # events [type, step, seconds] => for how long the contacts were public, in seconds; nil: still
  EXPOSED = [
    [[], []],
    [[["done", "contacts-shown", 100]], [[100, nil]]],
    [[["done", "contacts-shown", 100], ["done", "privacy-back", 400]], [[100, 400]]],
    [
      [["done", "contacts-shown", 100], ["called-off", nil, 200], ["done", "privacy-again", 300]],
      [[100, 300]]
    ],
    [
      [
        ["done", "contacts-shown", 100],
        ["done", "contacts-shown", 150],
        ["done", "privacy-back", 400]
      ],
      [[100, 400]]
    ]
  ].freeze

  def test_the_time_exposed_is_counted
    EXPOSED.each do |events, spans|
      found =
        state(
          plan(%i[privacy]),
          *events.map { |type, step, after| event(type, step, after: after) }
        )
      assert_equal(spans, found.exposed.map { |pair| pair.map { |t| t && (t - START).to_i } })
    end
  end

  # contacts shown from, until (seconds; nil: still), now => too long for a consent that ends after
  # 500
  TOO_LONG = [
    [100, nil, 400, false],
    [100, nil, 500, false],
    [100, nil, 501, true],
    [100, 450, 9000, false],
    [100, 600, 9000, true]
  ].freeze

  def test_longer_than_the_owner_consented_to
    consent = event("consent", "consent", given_by: "P", shown: [], from: START, until: START + 500)
    TOO_LONG.each do |from, over, now, expected|
      shown = [
        event("done", "contacts-shown", after: from),
        (event("done", "privacy-back", after: over) if over)
      ].compact
      assert_equal expected,
                   state(plan(%i[privacy]), consent, *shown).overexposed?(START + now),
                   [from, over, now].inspect
      refute state(plan(%i[privacy]), *shown).overexposed?(START + now),
             "without a consent nothing ends"
    end
  end

  def test_consent_is_read_from_the_journal
    data = { "given_by" => "Pearl", "shown" => ["name"], "from" => START, "until" => START + 60 }
    assert_equal data,
                 state(
                   plan(%i[privacy]),
                   event("consent", "consent", **data.transform_keys(&:to_sym))
                 ).consent
    assert_nil state(plan(%i[privacy])).consent
  end
end
