# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Names from what somebody typed, from tables, by hand; notes; and work that goes on behind.
class TakingInTest < Minitest::Test
  Desk = SteadyMove::Desk
  TakingIn = Desk::Portfolio::TakingIn

  def setup
    @world = BenchWorld.new
    @app = @world.app
  end

  def teardown = @world.close

  def take(wishes, account: "tarnbeck")
    TakingIn.new(@app).call(wishes, account && @app.accounts.find(account), by: "ada")
  end

  # what is typed => the words in it
  TYPED = {
    "a.example b.example" => %w[a.example b.example],
    "a.example,b.example;c.example\td.example" => %w[a.example b.example c.example d.example],
    "a.example # kept for the cats\n#all of this\nb.example" => %w[a.example b.example],
    "https://x.example/#part" => ["https://x.example/#part"],
    " \n\n , ;" => []
  }.freeze

  def test_words
    TYPED.each { |text, words| assert_equal words, TakingIn.words(text).map(&:typed), text }
  end

  # what is typed, with harbourpass and fähre-saltern let go before => fate, name, a part of what is
  # said
  FATES = [
    ["harbourpass.example", "taken", "harbourpass.example", nil],
    %w[harbourpass.example known harbourpass.example already],
    [
      "HTTPS://www.FÄHRE-Saltern.example:8443/plan",
      "corrected",
      "xn--fhre-saltern-gcb.example",
      "understood as fähre-saltern.example"
    ],
    %w[kelpquay.example known kelpquay.example already],
    %w[nobody.example refused nobody.example 404],
    ["someone.nowhere", "refused", "someone.nowhere", "There is no suffix “.nowhere”"],
    ["example", "refused", nil, "no suffix"],
    ["-bad-.example", "refused", nil, "the part “-bad-”"],
    ["co.uk", "refused", nil, "a suffix itself"],
    ["#{"x" * 64}.example", "refused", nil, "1 to 63"]
  ].freeze

  def test_each_lines_fate
    %w[harbourpass.example xn--fhre-saltern-gcb.example].each { |n| @app.names.drop(n) }
    FATES.each do |typed, fate, name, says|
      line = take([TakingIn::Wish.new(typed: typed, notes: {})]).first
      assert_equal [typed, fate, name], [line.typed, line.fate, line.name], "#{typed}: #{line.says}"
      says ? assert_includes(line.says, says) : assert_nil(line.says)
    end
    assert_equal "ok",
                 Desk::Portfolio::Judging
                   .new(@app)
                   .one("harbourpass.example")
                   .facts
                   .statuses
                   .first
                   .sub("clientTransferProhibited", "ok")
  end

  def test_a_table_with_its_columns
    @app.names.drop("harbourpass.example")
    @app.names.drop("nightboat-saltern.example")
    text = [
      "Domain;Registrar;Expires;Paid;Contact email",
      "harbourpass.example;Tarnbeck Names;2028-02-28;no;who@x.test",
      "nightboat-saltern.example;;soon;yes;",
      "kelpquay.example;;;;",
      "x.example;Nobody;;;",
      ""
    ].join("\n")
    look = TakingIn.look(text)
    assert_equal [
                   {
                     "name" => 0,
                     "account" => 1,
                     "expires_at" => 2,
                     "paid" => 3,
                     "registrant_email" => 4
                   },
                   3
                 ],
                 [look[:guess], look[:rows].size]
    lines = take(TakingIn.table(text, look[:guess]))
    assert_equal %w[taken taken known refused], lines.map(&:fate)
    assert_includes lines[1].says, "expires_at: a date"
    assert_includes lines[3].says, "no account “Nobody”"
    noted = @app.names.facts("harbourpass.example")
    assert_equal [[false], ["who@x.test"]],
                 [
                   noted.about(:paid).map(&:value),
                   noted.about(:registrant_email).map(&:value).last(1)
                 ]
    assert @app.names.facts("nightboat-saltern.example")[:paid]
    assert_raises(SteadyMove::Desk::Refused) { TakingIn.table("a,b\n\"open", { "name" => 0 }) }
  end

  # What is refused with its reason: addresses of numbers, suffixes that don't exist.
  NO_NAMES = {
    "192.0.2.7" => /address of numbers/,
    "https://[2001:db8::7]:8443/" => /address of numbers/,
    "10.0.0.1:80" => /address of numbers/,
    "ferry.nosuchsuffix" => /no suffix “\.nosuchsuffix”/
  }.freeze

  def test_what_is_no_name
    NO_NAMES.each do |typed, says|
      line = take([TakingIn::Wish.new(typed: typed, notes: {})]).first
      assert_equal ["refused", true], [line.fate, line.says.match?(says)], "#{typed}: #{line.says}"
    end
  end

  # A table brings what nobody outside tells; of a name that is known it says it anew.
  def test_a_table_brings_what_was_written_down
    text = [
      "Name,Lock,Auto-renew,Name servers,Yearly price,Privacy,Remark",
      "harbourpass.example,on,yes,\"NS1.x.example ns2.x.example\",\"9,90 EUR\",no,for the season",
      "kelpquay.example,off,maybe,,cheap,,",
      ""
    ].join("\n")
    look = TakingIn.look(text)
    assert_equal(
      {
        "name" => 0,
        "lock" => 1,
        "auto_renew" => 2,
        "name_servers" => 3,
        "stay_price" => 4,
        "privacy" => 5,
        "note" => 6
      },
      look[:guess]
    )
    first, second = take(TakingIn.table(text, look[:guess]))
    assert_equal %w[known known], [first.fate, second.fate]
    assert_includes first.says, "was noted"
    assert_match(/auto_renew: true or false.*stay_price: a price such as/, second.says)
    noted = @app.names.told("harbourpass.example", :hand)
    assert_equal [
                   true,
                   true,
                   %w[ns1.x.example ns2.x.example],
                   { "minor" => 990, "currency" => "EUR" },
                   false,
                   "for the season"
                 ],
                 noted.values_at(:lock, :auto_renew, :name_servers, :stay_price, :privacy, :note)
    assert_equal 990, @world.plan("harbourpass.example", to: "orlop").quote.stay.minor
  end

  # An account without a connection: the public record alone, or nothing at all.
  def test_by_hand
    @app.accounts.put(
      SteadyMove::Core::Accounts::Account.new(
        id: "paper",
        title: "Paper Names",
        registrar: "Paper",
        kind: "by_hand",
        connection: {
        },
        habits: {
        },
        prices: {
        },
        sender_domains: []
      )
    )
    @app.names.drop("harbourpass.example")
    lines =
      take(
        %w[harbourpass.example something.club].map { |n| TakingIn::Wish.new(typed: n, notes: {}) },
        account: "paper"
      )
    assert_equal(
      [["taken", nil], ["taken", "Nothing is known of it yet."]],
      lines.map { |l| [l.fate, l.says] }
    )
    assert_equal %i[desk public_record],
                 @app.names.facts("harbourpass.example").all.map(&:source).uniq.sort
    found = Desk::Portfolio::Judging.new(@app).one("something.club").verdict
    assert_equal ["unknown", true],
                 [found.kind, found.rests_on_less?],
                 "not known is neither barred nor clear"
  end

  def test_letting_go
    TakingIn.new(@app).let_go("harbourpass.example", by: "ada")
    assert_nil @app.names.find("harbourpass.example")
    assert_equal "let-go", @app.journal.page(name: "harbourpass.example").first.type
    @world.start("isles-timetable.example", to: "orlop")
    %w[isles-timetable.example nobody.example].each do |n|
      assert_raises(SteadyMove::Desk::Refused) { TakingIn.new(@app).let_go(n, by: "ada") }
    end
  end

  # key, value => the fact, or a part of the error (rules of the job §1: the end of a day for what
  # has passed, its start for what must not yet have come)
  NOTES = [
    ["paid", false, false],
    ["privacy", true, true],
    ["dispute", " case 9 ", "case 9"],
    ["tied_services", ["mail ", "web"], %w[mail web]],
    %w[mailbox bounced bounced],
    ["registrant_changed_at", "2027-02-01", Time.utc(2027, 2, 2)],
    ["expires_at", "2027-09-01", Time.utc(2027, 9, 1)],
    ["registrant_changed_at", "2027-02-01T10:00:00+01:00", Time.utc(2027, 2, 1, 9)],
    ["paid", "yes", /true or false is expected/],
    ["mailbox", "full", /one of proven, unproven/],
    ["expires_at", "soon", /a date such as/],
    ["dispute", "", /a text of at most 300/],
    ["colour", "red", /is not one of/],
    ["tied_services", [7], /a list of texts/]
  ].freeze

  def test_notes
    notes = Desk::Portfolio::Notes.new(@app)
    NOTES.each do |key, value, expected|
      if expected.is_a?(Regexp)
        next(
          assert_match(
            expected,
            assert_raises(SteadyMove::Desk::Refused) do
              notes.put("kelpquay.example", key, value, by: "ada")
            end.message
          )
        )
      end

      notes.put("kelpquay.example", key, value, by: "ada")
      assert_equal [expected, "noted by ada"],
                   @app
                     .names
                     .facts("kelpquay.example")
                     .about(key.to_sym)
                     .last
                     .then { |f| [f.value, f.ref] },
                   key
    end
    notes.put("kelpquay.example", "dispute", nil, by: "ada")
    assert_empty @app.names.facts("kelpquay.example").about(:dispute)
    assert_raises(SteadyMove::Desk::Refused) do
      notes.put("nobody.example", "paid", true, by: "ada")
    end
  end

  def test_work_that_goes_on_behind
    errors = []
    jobs = Desk::BackgroundJobs.new(random: Random.new(1), on_error: ->(e) { errors << e.message })
    gate = Queue.new
    slow =
      jobs.start(by: "ada", of: 3, patience: 0) do |job|
        3.times { gate.pop and job.done += 1 } && "ready"
      end
    refute_predicate slow, :finished?
    3.times { gate << true }
    jobs.wait(slow, 60)
    assert_equal [true, 3, "ready"], [slow.finished?, slow.done, slow.result]
    assert_equal [slow, nil, nil],
                 [
                   jobs.find(slow.id, by: "ada"),
                   jobs.find(slow.id, by: "bo"),
                   jobs.find("none", by: "ada")
                 ]
    failed = jobs.start(by: "ada", of: 2) { |job| (job.done += 1) && raise("the pier is gone") }
    assert_equal [["the pier is gone"], true], [errors, failed.problem.include?("after 1 of 2")]
    120.times { jobs.start(by: "ada", of: 1) { 1 } }
    assert_nil jobs.find(slow.id, by: "ada"), "old work is let go"
  end
end
