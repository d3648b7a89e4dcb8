# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Names from what somebody typed, from tables, by hand; notes; and work that goes on behind.
class TakingInTest < Minitest::Test
  Desk = SteadyMove::Desk
  TakingIn = Desk::Portfolio::TakingIn
  Imports = SteadyMove::Core::Imports

  def setup
    @world = BenchWorld.new
    @app = @world.app
  end

  def teardown = @world.close

  # Returns the preview, and how the import ended.
  def take(text, account: "tarnbeck", **chosen)
    choices = Imports::Choices.none
    choices.account = account
    chosen.each { |key, value| choices[key] = value }
    imports = Desk::Portfolio::Imports.new(@app)
    seen = imports.preview(text, choices)
    @import = imports.start(text, choices, by: "ada")
    imports.go_on(@import)
    [seen, @app.imports.far(@import)]
  end

  def undo = Desk::Portfolio::ImportUndoing.new(@app).call(@import, by: "bo")

  # what is typed => its fate before it is taken in, a part of what is said; of those that are
  # taken, how it is called, and what is said where it went off again
  FATES = [
    ["harbourpass.example", :new, nil, "harbourpass.example"],
    ["kelpquay.example", :known, nil, "kelpquay.example"],
    ["HTTPS://www.FÄHRE-Saltern.example:8443/x", :new, nil, "xn--fhre-saltern-gcb.example"],
    ["nobody.example", :new, nil, "nobody.example", /does not exist/],
    ["someone.nowhere", :no_name, /There is no suffix “.nowhere”/],
    ["example", :no_name, /no suffix/],
    ["-bad-.example", :no_name, /the part “-bad-”/],
    ["co.uk", :no_name, /a suffix itself/],
    ["#{"x" * 64}.example", :no_name, /1 to 63/],
    ["192.0.2.7", :no_name, /address of numbers/],
    ["https://[2001:db8::7]:8443/", :no_name, /address of numbers/],
    ["ferry.nosuchsuffix", :no_name, /no suffix “\.nosuchsuffix”/]
  ].freeze

  def test_each_names_fate
    %w[harbourpass.example xn--fhre-saltern-gcb.example].each { |n| @app.names.drop(n) }
    seen, far = take(FATES.map(&:first).join("\n"))
    FATES
      .zip(seen.lines)
      .each do |(typed, fate, says, name, off), line|
        assert_equal fate, line.fate, typed
        says ? assert_match(says, SteadyMove::Words.text(line.says), typed) : assert_nil(line.says)
        next unless name

        assert_equal name, line.name.ascii
        refused = far.refused.to_h[name]
        off ? assert_match(off, refused) : assert_nil(refused)
        assert_equal off.nil?, !@app.names.find(name).nil?, typed
      end
    assert_equal [4, 3, 1], [far.of, far.added, far.updated]
  end

  # An agency's own table: registrars that nobody knows yet, dates of either order, name servers in
  # columns of their own, prices with a comma, a name twice, a cell that is nothing.
  TABLE = <<~CSV
    Domain;Registrar;Renewal date;NS1;NS2;Client;Price/yr;Auto-renew;Notes
    harbourpass.example;Tarnbeck Names Ltd.;28/02/2028;ns1.x.example;NS2.x.example;A;9,90 €;Ja;"a; b"
    nightboat-saltern.example;Old Pier;03/04/2027;;;A;€ 1.250,00;perhaps;
    harbourpass.example;Old Pier;;;;;;;
    kelpquay.example;Tarnbeck Names;;;;;;no;
  CSV

  def test_an_agencys_table
    %w[harbourpass.example nightboat-saltern.example].each { |n| @app.names.drop(n) }
    seen, far = take(TABLE, accounts: { "Old Pier" => "new" })
    assert_equal %i[new new twice known], seen.lines.map(&:fate)
    assert_empty seen.questions, "28/02 tells what 03/04 is"
    assert_equal [{ 7 => :flag }], seen.lines.map(&:unread).reject(&:empty?)
    assert_equal [2, 1, []], [far.added, far.updated, far.refused]
    noted = @app.names.told("harbourpass.example", :hand)
    assert_equal [Time.utc(2028, 2, 28), %w[ns1.x.example ns2.x.example], true, "a; b"],
                 noted.values_at(:expires_at, :name_servers, :auto_renew, :note)
    assert_equal({ "minor" => 990, "currency" => "EUR" }, noted[:stay_price])
    night = @app.names.told("nightboat-saltern.example", :hand)
    assert_equal [Time.utc(2027, 4, 3), 125_000, nil],
                 [night[:expires_at], night[:stay_price]["minor"], night[:auto_renew]]
    made = @app.accounts.find(@app.names.find("nightboat-saltern.example")[:account_id])
    assert_equal ["Old Pier", "by_hand"], [made.title, made.kind]
    assert_equal "tarnbeck", @app.names.find("harbourpass.example")[:account_id]
    assert_equal 990, @world.plan("harbourpass.example", to: "orlop").quote.stay.minor
  end

  UNDONE = <<~CSV
    Domain,Registrar,Note,Paid
    harbourpass.example,Old Pier,x,no
    isles-timetable.example,Tarnbeck Names,,
    kelpquay.example,,,no
  CSV

  # What it added is gone, what it changed is as it was; what moves stays.
  def test_an_import_is_undone
    %w[harbourpass.example isles-timetable.example].each { |n| @app.names.drop(n) }
    Desk::Portfolio::Notes.new(@app).put("kelpquay.example", "note", "of old", by: "ada")
    take(UNDONE, accounts: { "Old Pier" => "new" }, clear: true)
    assert_equal({ paid: false }, @app.names.told("kelpquay.example", :hand))
    @world.start("isles-timetable.example", to: "orlop")
    assert_equal ["isles-timetable.example"], undo
    assert_nil @app.names.find("harbourpass.example")
    assert @app.names.find("isles-timetable.example")
    assert_equal({ note: "of old" }, @app.names.told("kelpquay.example", :hand))
    refute_includes @app.accounts.all.map(&:title), "Old Pier"
    said = @app.journal.page(type: "import-undone").first.says
    assert_match(/isles-timetable.example stays, since it has moves/, said)
    assert_match(/bo has undone/, assert_raises(Desk::Refused) { undo }.message)
  end

  # A desk that was killed in the middle goes on with it, and keeps nothing twice; of what nobody
  # answers for nothing is known.
  def test_an_import_survives_a_restart
    choices = Imports::Choices.none
    choices.account = "millrace"
    imports = Desk::Portfolio::Imports.new(@app)
    names = (1..5).map { |i| "pier-#{i}.club" }
    id = imports.start(names.join(" "), choices, by: "ada")
    assert_raises(RuntimeError) { imports.go_on(id) { raise "killed" } }
    again = Desk::Portfolio::Imports.new(@app)
    assert_equal [[id], true], [@app.imports.unfinished, again.due?]
    again.call
    refute_predicate again, :due?
    far = @app.imports.far(id)
    of_it = ->(event) { event.data["import"] == id }
    assert_equal [5, 5, 5, 5, []], [far.of, far.kept, far.added, far.looked, far.refused]
    assert_equal 5, @app.journal.page(type: "taken-in").count(&of_it)
    assert_equal 0, @app.imports.told(id)
    verdict = Desk::Portfolio::Judging.new(@app).one("pier-1.club").verdict
    assert_equal ["unknown", true], [verdict.kind, verdict.rests_on_less?]
  end

  # What can't begin: nothing to take, nobody who holds it.
  REFUSED = {
    ["-bad-", {}] => /No row holds a name/,
    ["tide.example", { account: nil }] => /Some rows name no account/,
    ["Domain,Registrar\ntide.example,Nobody\n", {}] => /“Nobody” is no account here/,
    ["tide.example", { left_out: [0] }] => /No row holds a name/
  }.freeze

  def test_what_is_refused
    REFUSED.each do |(text, chosen), says|
      assert_match says, assert_raises(Desk::Refused, text) { take(text, **chosen) }.message
    end
    assert_empty @app.imports.unfinished
  end

  def test_letting_go
    TakingIn.new(@app).let_go("harbourpass.example", by: "ada")
    assert_nil @app.names.find("harbourpass.example")
    assert_equal "let-go", @app.journal.page(name: "harbourpass.example").first.type
    @world.start("isles-timetable.example", to: "orlop")
    %w[isles-timetable.example nobody.example].each do |n|
      assert_raises(Desk::Refused) { TakingIn.new(@app).let_go(n, by: "ada") }
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
            assert_raises(Desk::Refused) do
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
    assert_raises(Desk::Refused) { notes.put("nobody.example", "paid", true, by: "ada") }
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
