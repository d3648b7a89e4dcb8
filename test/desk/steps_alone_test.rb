# frozen_string_literal: true

require_relative "../support/step_alone"

# Each step of records and safety alone: what it says, what it sends, and when it looks again.
class StepsAloneTest < Minitest::Test
  include StepAlone

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

  SET = [StepAlone::Set.new("ferry", "A", 3600)].freeze
  LOWERED = [%w[done lower-ttls], FETCHED].freeze
  LOWER = { plan: { lowered: 300 }, options: [*RECORDS, :lower] }.freeze
  # Renewed first, for a code that is had over a connection.
  YEAR = { options: %i[renew code], plan: { renewed_from: START } }.freeze
  EARLIER = { expires_at: START }.freeze
  LATER = { expires_at: START + 86_400 }.freeze
  ASKED = { options: %i[ask code], ways: { "code" => "page" } }.freeze
  FORM = { form: "4-6 A-Z" }.freeze

  # Zones and their TTLs, the code and the renewal.
  STILL_MORE = [
    ["answers-before", { zone: false }, ["done", "no_copy", nil], 0],
    ["answers-before", { zone: SET, record: OLD, answers: {} }, ["problem", "nobody", 3600], 0],
    [
      "answers-before",
      { zone: SET, record: nil, answers: { "ns1" => [], "ns2" => nil } },
      ["done", "done", nil],
      0
    ],
    ["records-settled", { record: NEW.reverse }, ["done", "done", nil], 0],
    ["records-settled", { record: OLD }, ["problem", "differ", nil], 0],
    ["records-settled", { record: nil, bad: BAD }, ["problem", "differ", nil], 0],
    ["lower-ttls", { zone: [] }, ["done", "nothing", nil], 0],
    ["lower-ttls", { zone: SET, ttl: 300 }, ["done", "nothing", nil], 0],
    ["ttls-lowered", { zone: SET, told: LOWERED }, ["waiting", "waiting", 3600], 0],
    ["ttls-lowered", { zone: SET, told: LOWERED, after: 3600, ttl: 300 }, ["done", "done", nil], 0],
    [
      "ttls-lowered",
      { zone: SET, told: LOWERED, after: 3600, ttl: 301 },
      ["done", "not_lowered", nil],
      0
    ],
    ["renew", { **YEAR, info: LATER }, ["done", "done", nil], 0],
    ["renew", { **YEAR, info: EARLIER }, ["waiting", "not_shown_yet", 300], 1],
    ["renew", { **YEAR, info: {} }, ["waiting", "not_shown_yet", 300], 1],
    ["renew", { **YEAR, info: {}, **LATER }, ["done", "done", nil], 0],
    ["get-code", { options: %i[code], safe: "in-the-safe" }, ["done", "done", nil], 0],
    ["get-code", { options: %i[code] }, ["problem", "not_given", 3600], 0],
    ["get-code", { options: %i[code], info: { auth_info: "new-1" } }, ["done", "done", nil], 0],
    ["get-code", ASKED, ["problem", "none", 3600], 0],
    ["check-code", { options: %i[code] }, ["done", "unchecked", nil], 0],
    ["check-code", { options: %i[code], gaining: { keyed: true } }, ["done", "done", nil], 0]
  ].freeze

  # The code that is at hand, what the gaining side's form takes and its registry says: [kind, what
  # became of the code, steps that are done anew].
  CODES = [
    [{ safe: "ABCD", gaining: FORM }, ["done", [], []]],
    [{ safe: "abcd", gaining: FORM }, ["problem", [], []]],
    [{ safe: "abcd", gaining: FORM, **ASKED }, ["waiting", [:wiped], %w[ask-code]]],
    [{ safe: "abcd", gaining: { keyed: true } }, ["done", [:checked], []]],
    [
      { safe: "abcd", gaining: { keyed: true }, refusal: 2202 },
      ["problem", [:wiped], %w[get-code]]
    ],
    [
      { safe: "abcd", gaining: { keyed: true }, refusal: 2202, **ASKED },
      ["problem", [:wiped], %w[ask-code]]
    ],
    [{ safe: "abcd", gaining: { keyed: true }, refusal: 2202, later: true }, ["waiting", [], []]]
  ].freeze

  def test_what_becomes_of_a_code
    CODES.each do |given, wanted|
      found, job = look("check-code", options: %i[code], **given)
      assert_equal wanted, [found.kind, job.ports.codes.done, job.opened], given.inspect
    end
    given = { options: %i[code], safe: "abcd", gaining: { keyed: true } }
    assert_raises(SteadyMove::Wire::Refused) { look("check-code", **given, refusal: 2400) }
  end

  def test_zones_codes_and_years
    STILL_MORE.each do |step, given, wanted, acts|
      holds(step, { zone: true, **LOWER, **given }, wanted, acts)
    end
  end

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
end
