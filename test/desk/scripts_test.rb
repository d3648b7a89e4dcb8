# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/command_line"
require "tempfile"

# The commands for scripts: lines in, lines out, exit status.
class ScriptsTest < Minitest::Test
  include CommandLine

  # Kept until the test is over: a Tempfile that nobody holds is deleted.
  def file(text)
    (@files ||= []) << Tempfile.new("rdap").tap { |f| f.write(text) && f.flush }
    @files.last.path
  end

  def object(
    name,
    status: ["active"],
    created: "2020-01-01T00:00:00Z",
    expires: "2029-01-01T00:00:00Z",
    **more
  )
    {
      objectClassName: "domain",
      ldhName: name,
      status: status,
      events: [
        { eventAction: "registration", eventDate: created },
        { eventAction: "expiration", eventDate: expires }
      ]
    }.merge(more)
  end

  AT = "2027-03-01T08:00:00Z"

  # object => verdict, earliest start, rules with effect and clears-at, windows over 30 days (rules
  # of the job §2).
  CASES = [
    [{ name: "a.example" }, "clear", AT, [], [[AT, "2027-03-31T08:00:00Z"]]],
    [
      { name: "B.EXAMPLE", status: ["client transfer prohibited"] },
      "fix",
      AT,
      [["locked", "fix", nil]],
      [[AT, "2027-03-31T08:00:00Z"]]
    ],
    [
      { name: "c.example", created: "2027-01-05T09:30:00+01:00" },
      "wait",
      "2027-03-06T08:30:00Z",
      [%w[new-name wait 2027-03-06T08:30:00Z]],
      [%w[2027-03-06T08:30:00Z 2027-03-31T08:00:00Z]]
    ],
    [
      { name: "d.example", status: ["server transfer prohibited"] },
      "barred",
      nil,
      [["registry-hold", "bar", nil]],
      []
    ],
    [
      { name: "e.example", status: ["pending transfer"] },
      "barred",
      nil,
      [["in-transfer", "bar", nil]],
      []
    ],
    [
      {
        name: "f.isl.test",
        status: ["client transfer prohibited"],
        created: "2027-02-28T00:00:00Z"
      },
      "clear",
      AT,
      [],
      [[AT, "2027-03-31T08:00:00Z"]]
    ],
    [
      { name: "g.example", expires: "2027-03-10T00:00:00Z" },
      "fix",
      AT,
      [["too-late", "fix", nil]],
      [[AT, "2027-03-10T00:00:00Z"]]
    ],
    [
      { name: "h.example", expires: "2036-06-01T00:00:00Z" },
      "clear",
      AT,
      [%w[ten-years caution 2027-06-01T00:00:00Z]],
      [[AT, "2027-03-31T08:00:00Z"]]
    ],
    [
      { name: "i.unknown-suffix" },
      "clear",
      AT,
      [["suffix-unlisted", "caution", nil]],
      [[AT, "2027-03-31T08:00:00Z"]]
    ],
    [{ name: "j.example", status: nil }, "unknown", nil, [], []],
    [
      { name: "k.example", status: ["add period"], events: [] },
      "wait",
      nil,
      [["new-name", "wait", nil]],
      []
    ]
  ].freeze

  def test_judge
    texts =
      CASES.map { |given, *| JSON.generate(object(given[:name], **given.except(:name)).compact) }
    [texts.join("\n"), "[#{texts.join(",")}]"].each do |text|
      status, lines, said = run_words("judge", file(text), "--at", AT, "--horizon", "30")
      assert_equal [0, ""], [status, said]
      CASES.zip(lines) do |(given, verdict, earliest, findings, windows), line|
        found = JSON.parse(line)
        assert_equal %w[name verdict earliest_start latest_safe_start findings windows unknown],
                     found.keys
        assert_equal [given[:name].downcase, verdict, earliest, windows],
                     found.values_at("name", "verdict", "earliest_start", "windows")
        assert_equal findings,
                     found["findings"].map { |f| f.values_at("rule", "effect", "clears_at") },
                     given
        refute_match(/[<>{}]/, found["findings"].map { |f| f["because"] }.join)
      end
    end
    assert_equal 1,
                 run_words("judge", file(JSON.pretty_generate(object("a.example"))), "--at", AT)[
                   1
                 ].size
  end

  # what is wrong => what is said of it; the others are judged all the same, and the status is 2.
  WRONG = [
    [
      { objectClassName: "entity", ldhName: "x.example" },
      "line 2 (x.example): objectClassName: “domain” is " \
        "expected, not \"entity\""
    ],
    [{ objectClassName: "domain" }, "line 2: ldhName: a domain name is expected, not nothing"],
    [{ objectClassName: "domain", ldhName: "x..example" }, "between two dots is empty"],
    [{ objectClassName: "domain", ldhName: "-x-.example" }, "the part “-x-”"],
    ["nonsense", "line 2: the object: a JSON object is expected"]
  ].freeze

  def test_a_bad_object_is_named_and_the_others_are_judged
    WRONG.each do |wrong, says|
      text =
        [object("a.example"), wrong, object("b.example")].map { |o| JSON.generate(o) }.join("\n")
      status, lines, said = run_words("judge", file(text), "--at", AT)
      assert_equal [2, %w[a.example b.example]],
                   [status, lines.map { |l| JSON.parse(l)["name"] }],
                   wrong
      assert_includes said, says
    end
    assert_equal [2, "line 2: it is not JSON\n"],
                 run_words(
                   "judge",
                   file("#{JSON.generate(object("a.example"))}\n{\"a\":\n"),
                   "--at",
                   AT
                 ).values_at(0, 2)
  end

  # One odd member voids nothing: it is not known, and why; the rest is judged.
  def test_what_of_a_record_could_not_be_read_is_told
    odd = object("a.example").merge(status: [7, "ok"], nameservers: [{}])
    status, lines, = run_words("judge", file(JSON.generate(odd)), "--at", AT)
    told = JSON.parse(lines.first)
    assert_equal [0, "a.example"], [status, told["name"]]
    assert_match(
      /status\[0\]: a text is expected, not 7.*nameservers\[0\]/,
      told["not_read"].join(" ")
    )
    assert_includes told["unknown"].map { |u| u["rule"] }, "locked"
  end

  def test_towards_an_account
    accounts = file("quay: {title: Quay, suffixes: [test], payment: no card}\n")
    status, lines, =
      run_words(
        "judge",
        file(JSON.generate(object("a.example"))),
        "--at",
        AT,
        "--to",
        "quay",
        "--accounts",
        accounts
      )
    assert_equal [0, %w[suffix-unserved no-payment]],
                 [status, JSON.parse(lines.first)["findings"].map do |f| f["rule"] end]
  end

  # words => status and what is said
  MISUSED = [
    [%w[judge /nowhere/x], "can't be read"],
    [%w[judge - --at noon], "--at: “noon” is not an instant"],
    [%w[judge - --horizon 0], "--horizon"],
    [%w[judge - --to quay --accounts /nowhere], "--accounts"],
    [%w[expiry --expires 2027-01-01T00:00:00Z], "--landed is missing"],
    [%w[expiry --expires x --landed 2027-01-01], "--expires: “x”"],
    [%w[expiry --expires 2027-02-30 --landed 2027-01-01], "--expires: “2027-02-30"],
    [
      %w[expiry --expires 2027-01-01 --landed 2027-01-01 --years 11],
      "--years: “11” is not a whole number from 0 to 10"
    ]
  ].freeze

  def test_misused
    MISUSED.each do |words, says|
      assert_equal [2, true],
                   run_words(*words).then { |status, _, said| [status, said.include?(says)] },
                   words
    end
  end

  # Check values of the trade (common practice, no source): expires, landed, more words => new
  # expiry, what stands on standard error.
  EXPIRY = [
    ["2018-12-04T00:00:00Z", "2018-11-08T00:00:00Z", [], "2019-12-04T00:00:00Z", ""],
    ["2024-11-16T10:00:00Z", "2024-11-01T00:00:00Z", [], "2025-11-16T10:00:00Z", ""],
    ["2028-02-29T12:00:00Z", "2028-01-01T00:00:00Z", [], "2029-02-28T12:00:00Z", ""],
    ["2036-01-01T00:00:00Z", "2026-11-25T00:00:00Z", [], "2036-11-25T00:00:00Z", "ten-years\n"],
    ["2028-02-29T00:00:00Z", "2027-03-10T00:00:00Z", %w[--in-grace], "2028-02-29T00:00:00Z", ""],
    ["2027-10-01T00:00:00Z", "2026-10-20T00:00:00Z", %w[--in-grace], "2027-10-01T00:00:00Z", ""],
    ["2027-05-01T00:00:00Z", "2027-01-01T00:00:00Z", %w[--years 0], "2027-05-01T00:00:00Z", ""],
    [
      "2027-05-01T00:00:00Z",
      "2027-01-01T00:00:00Z",
      %w[--years 5 --max-years 4],
      "2031-01-01T00:00:00Z",
      "ten-years\n"
    ],
    ["2027-05-01T01:00:00+01:00", "2027-01-01", [], "2028-05-01T00:00:00Z", ""]
  ].freeze

  def test_expiry
    EXPIRY.each do |expires, landed, more, expected, said|
      assert_equal [0, [expected], said],
                   run_words("expiry", "--expires", expires, "--landed", landed, *more),
                   expires
    end
  end
end
