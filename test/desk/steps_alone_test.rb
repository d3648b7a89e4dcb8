# frozen_string_literal: true

require_relative "../test_helper"

# Each step alone, over what name servers, registry and record show at that moment: what it says,
# what it sends, and when it looks again. Sentences come from the catalogue with their values, so
# that one that lacks a value raises.
class StepsAloneTest < Minitest::Test
  Moves = SteadyMove::Desk::Moves
  Epp = SteadyMove::Wire::Epp
  START = Time.utc(2027, 3, 1, 8)
  OLD = %w[ns1.old.example ns2.old.example].freeze
  NEW = %w[ns1.new.example ns2.new.example].freeze
  DS = "12345 13 2 #{"AB" * 32}".freeze

  Host =
    Struct.new(:title, :name_servers, :keyed, keyword_init: true) do
      def connected? = keyed
      def key_name = "k"
      def secret = "c2VjcmV0"
      def habits = {}
    end
  Record = Struct.new(:name_servers, :signed, :lock, :url, keyword_init: true)
  Bad = Struct.new(:says)
  Lock =
    Struct.new(:on) do
      def yes? = on == true
      def to_value = on
    end
  Transfer = Struct.new(:status, :requested_at, :requested_by, :act_at, keyword_init: true)
  Sight = Moves.const_get(:Outside)::Sight
  Held = Struct.new(:name_servers, :statuses)
  Account = Struct.new(:id, :title)

  # What name servers say; nil where that is not known. own: their own NS set can be changed.
  Servers =
    Struct.new(:delegated, :ds_at, :wanted, :bad, :own, :changed, keyword_init: true) do
      def delegation(_) = delegated && [delegated, 3600]
      def ds(_) = ds_at && [ds_at, 3600]
      def ds_wanted(*) = wanted
      def deviations(*) = bad.to_a
      def told(*) = raise(SteadyMove::Wire::Unreachable, "no answer")

      def change_own_set(_, host, servers)
        raise SteadyMove::Wire::Refused.new("REFUSED", "not from you") unless own

        (self.changed ||= []) << [host.title, servers]
      end
    end
  Zone = Struct.new(:greatest_ttl, :negative_ttl, :content)
  # The zone as it was fetched, or nil, and as it shall be.
  Zones =
    Struct.new(:zone) do
      def of_move(*) = zone
      def wanted(*, **) = zone
    end
  # What is asked and done beside, and says nothing here.
  class Beside
    def call(*) = nil
    def wipe_of_move(*) = nil
    def parent_server(*) = "ns.registry.example"
  end
  Ports =
    Struct.new(:servers, :now, :zones, keyword_init: true) do
      def carrying = zones
      def live_check = Beside.new
      def codes = Beside.new
      def dns = Beside.new
    end

  # A context whose outside is given.
  class Alone < Moves.const_get(:StepContext)
    attr_reader :sent

    def initialize(move, id, given)
      @given = given
      @sent = []
      super(given.fetch(:ports), move, id, given.fetch(:ports).now)
    end

    def words
      %i[name from to old_host new_host service keeper renewal].to_h { |key| [key, key.to_s] }
    end
    def step = (plan.steps + plan.endings).find { |s| s.id == id }
    def public_record = @given.fetch(:record)
    def info(*) = @given.fetch(:held)
    def losing = Account.new("a", "Old Names")
    def gaining = Account.new("b", "New Names")
    def old_host = @given[:old_host]
    def new_host = @given[:new_host]
    def intend(_) = yield("key")
    def ask_key = "ask"
    def epp(_, xml)
      @sent << xml unless xml.include?('op="query"')
      @given[:transfer]
    end
  end

  def host(title, servers, keyed: true)
    Host.new(title: title, name_servers: servers, keyed: keyed)
  end

  def event(type, step, after: 0, **data)
    Core::Moves::Event.new(
      seq: 1,
      at: START + after,
      type: type,
      step: step,
      says: "#{type} #{step}",
      evidence: {
      },
      by: "ada",
      data: data.transform_keys(&:to_s)
    )
  end

  RECORDS = %i[carry signed old_set lock code lock_back].freeze

  # A move with what it was told on the way.
  def move(*told, old: OLD, options: RECORDS, ways: {})
    plan =
      Core::Moves::Plan.of(
        name: "ferry.example",
        from: "a",
        to: "b",
        options: options,
        ways: ways,
        old_host: "o",
        new_host: "n",
        old_name_servers: old,
        settle_seconds: 7200,
        response_days: 5,
        years: 1
      )
    events = [event("planned", nil), *told]
    state = Core::Moves::State.fold(plan, events)
    SteadyMove::Store::Moves::Move.new(id: 1, plan: plan, events: events, state: state)
  end

  # Returns [what the step found, its context, own sets that were changed].
  def look(step, by: :call, told: [], **so)
    servers = Servers.new(**so.slice(*Servers.members))
    zones = Zones.new(so[:zone] && Zone.new(3600, 300, []))
    ports = Ports.new(now: START + so.fetch(:after, 0), servers: servers, zones: zones)
    record =
      Record.new(
        name_servers: so[:record],
        signed: so[:signed],
        lock: Lock.new(so[:locked]),
        url: "https://r.example"
      )
    given = {
      ports: ports,
      record: record,
      held: Held.new(so.fetch(:held, NEW), []),
      old_host: so.fetch(:old_host, host("Old DNS", OLD)),
      new_host: so.fetch(:new_host, host("New DNS", NEW)),
      transfer: so[:transfer]
    }
    job = Alone.new(move(*told, **so.slice(:old, :options, :ways)), step, given)
    act = Moves.const_get(:Act).class_for(step).new(job)
    sight = so[:sight]
    act.define_singleton_method(:sight) { sight } if sight
    found = act.public_send(by)
    [found, job, ports.servers.changed.to_a]
  end

  BACK = { back_shown: START, back_seconds: 7200 }.freeze
  SETTLING = [["waiting", "ns-back-settled", BACK]].freeze
  GONE = [["waiting", "ds-forgotten", { gone_at: START }]].freeze
  TTLS = [
    ["done", "compare-hosts", { ds_ttl: 600 }],
    ["done", "fetch-zone", { greatest: 1800 }]
  ].freeze
  LEFT = [%w[done switch-ns], ["called-off", nil], %w[accepted ns-back]].freeze
  ASSUMED = 90_000

  # What was told before (a DS, where nothing else stands there); what is so; [kind, sentence,
  # seconds until it looks again]; how many acts go out.
  LOOKS = [
    ["ns-back", { old: nil, old_host: nil }, ["done", "nothing", nil], 0],
    ["ns-back", { record: OLD, held: OLD }, ["done", "done", nil], 0],
    ["ns-back", { record: NEW }, ["waiting", "not_shown", 300], 1],
    ["ns-back-settled", { told: LEFT }, ["done", "stays", nil], 0],
    ["ns-back-settled", { delegated: NEW }, ["waiting", "not_shown", 300], 0],
    ["ns-back-settled", { delegated: OLD }, ["waiting", "waiting", 176_400], 0],
    ["ns-back-settled", { record: NEW }, ["waiting", "not_shown", 300], 0],
    ["ns-back-settled", { told: SETTLING, after: 3600 }, ["waiting", "waiting", 7200], 0],
    ["ns-back-settled", { told: SETTLING, after: 7200 }, ["done", "not_compared", nil], 0],
    ["ns-back-settled", { told: SETTLING, after: 7200, zone: true }, ["done", "done", nil], 0],
    [
      "ns-back-settled",
      { told: SETTLING, after: 7200, zone: true, bad: [Bad.new("silent")] },
      ["problem", "changed", 10_800],
      0
    ],
    ["ds-again", { told: [["done", "x", { stays_new: true }]] }, ["done", "stays", nil], 0],
    ["ds-again", { told: [] }, ["done", "none_known", nil], 0],
    ["ds-again", { delegated: NEW }, ["waiting", "not_back", 300], 0],
    ["ds-again", { record: NEW }, ["waiting", "not_back", 300], 0],
    ["ds-again", { delegated: OLD }, ["waiting", "not_known", 300], 0],
    ["ds-again", { delegated: OLD, ds_at: [] }, ["waiting", "not_shown", 300], 1],
    ["ds-again", { delegated: OLD, signed: false }, ["waiting", "not_shown", 300], 1],
    ["ds-again", { delegated: OLD, ds_at: [DS] }, ["done", "done", nil], 0],
    ["ds-forgotten", {}, ["waiting", "not_known", 300], 0],
    ["ds-forgotten", { ds_at: [DS] }, ["waiting", "still_there", 300], 0],
    ["ds-forgotten", { ds_at: [] }, ["waiting", "gone", ASSUMED], 0],
    ["ds-forgotten", { ds_at: [], told: TTLS }, ["waiting", "gone", 2400], 0],
    ["ds-forgotten", { ds_at: [], told: TTLS + GONE, after: 2399 }, ["waiting", "gone", 2400], 0],
    ["ds-forgotten", { ds_at: [], told: TTLS + GONE, after: 2400 }, ["done", "done", nil], 0],
    ["ds-in", { wanted: [] }, ["done", "unsigned", nil], 0],
    ["ds-in", { wanted: [DS] }, ["waiting", "not_known", 300], 0],
    ["ds-in", { wanted: [DS], ds_at: [DS] }, ["done", "done", nil], 0],
    ["ds-in", { wanted: [DS], ds_at: [] }, ["done", "done", nil], 1],
    ["ds-out", { ds_at: [] }, ["done", "none", nil], 0],
    ["ds-out", { ds_at: [DS] }, ["done", "done", nil], 1],
    ["old-ns-set", { old_host: nil }, ["done", "no_host", nil], 0],
    ["old-ns-set", { own: true }, ["done", "done", nil], 0],
    ["old-ns-set", {}, ["done", "refused", nil], 0]
  ].freeze

  def events(told) = told.map { |type, id, data| event(type, id, **data.to_h) }

  def test_what_a_step_says_and_sends = LOOKS.each { |row| holds(*row) }

  def holds(step, given, wanted, acts, **more)
    so = { told: [["done", "compare-hosts", { ds: [DS] }]], **more, **given }
    found, job = look(step, **so, told: events(so[:told]))
    row = [step, given.inspect]
    kind, key, again = wanted
    assert_equal [kind, "steps.#{step}.#{key}", again, acts],
                 [found.kind, found.says.key, again(found), job.sent.size],
                 row
    assert_operator SteadyMove::Words.text(found.says).length, :>, 15, row
  end

  FETCHED = ["done", "fetch-zone", { greatest: 3600, zone_ns: 3600, negative: 300 }].freeze
  SHOWN = [FETCHED, ["done", "ns-shown", { parent_ttl: 7200 }]].freeze
  TRIED = [["called-off", nil], %w[intended make-safe]].freeze
  BAD = [Bad.new("ns1.new.example: silent")].freeze
  OPEN = { options: %i[code] }.freeze
  LOCKED = { options: %i[lock code lock_back] }.freeze

  # The same for records, and for what makes a name safe again.
  MORE = [
    ["compare-hosts", {}, ["done", "done", nil], 0],
    ["compare-hosts", { old: nil, old_host: nil }, ["done", "new_alone", nil], 0],
    ["compare-hosts", { bad: BAD }, ["problem", "differ", nil], 0],
    ["compare-hosts", { told: [], ds_at: [DS] }, ["done", "done", nil], 0],
    ["ns-shown", { record: NEW, delegated: NEW }, ["done", "done", nil], 0],
    ["ns-shown", { record: NEW }, ["done", "done", nil], 0],
    ["ns-shown", { record: NEW, delegated: OLD }, ["waiting", "not_yet", 300], 0],
    ["ns-shown", { record: OLD, delegated: NEW }, ["waiting", "not_yet", 300], 0],
    ["ns-settled", { told: SHOWN }, ["waiting", "waiting", 14_400], 0],
    ["ns-settled", { told: SHOWN, after: 14_400 }, ["done", "done", nil], 0],
    ["ns-settled", { told: SHOWN, after: 14_400, bad: BAD }, ["problem", "changed", nil], 0],
    ["make-safe", OPEN, ["done", "done", nil], 0],
    ["make-safe", { **LOCKED, locked: true }, ["done", "done_locked", nil], 1],
    ["make-safe", LOCKED, ["done", "done_unshown", nil], 1],
    ["make-safe", { **LOCKED, locked: false }, ["waiting", "not_shown_yet", 900], 1],
    [
      "make-safe",
      { **LOCKED, locked: false, told: TRIED, after: 86_399 },
      ["waiting", "not_shown_yet", 87_299],
      1
    ],
    [
      "make-safe",
      { **LOCKED, locked: false, told: TRIED, after: 86_400 },
      ["problem", "still_off", 90_000],
      1
    ]
  ].freeze

  def test_records_and_what_makes_safe = MORE.each { |row| holds(*row, zone: true) }

  # Where a person does it: what shows from outside that it was done.
  BY_HAND = [
    ["ns-back", :back, { record: OLD }, true],
    ["ns-back", :back, { record: NEW }, false],
    ["ds-again", :ds_there, { ds_at: [DS] }, true],
    ["ds-again", :ds_there, { ds_at: [] }, false],
    ["ds-again", :ds_there, {}, false],
    ["ds-in", :ds_shown, { wanted: [] }, true],
    ["ds-in", :ds_shown, { wanted: [DS], ds_at: [] }, false],
    ["ds-in", :ds_shown, { wanted: [DS], ds_at: [DS] }, true],
    ["ds-out", :ds_gone, { signed: false }, true],
    ["ds-out", :ds_gone, { signed: true }, false]
  ].freeze

  def test_what_proves_it
    BY_HAND.each do |step, by, so, done|
      found, = look(step, **so, by: by, told: events([["done", "compare-hosts", { ds: [DS] }]]))
      assert_equal done, found.done, [step, so.inspect]
    end
  end

  # The new host names the old servers again, where it takes that; so does the old one.
  def test_own_sets
    _, _, changed = look("ns-back", record: OLD, held: OLD, own: true)
    assert_equal [["Old DNS", OLD], ["New DNS", OLD]], changed
    found, = look("ns-back", record: OLD, held: OLD, new_host: host("New DNS", NEW, keyed: false))
    refute found.data["back_set"]
    _, _, changed = look("old-ns-set", own: true)
    assert_equal [["Old DNS", NEW]], changed
  end

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

  def again(found) = found.look_at && (found.look_at - START)

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
end
