# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# The whole portfolio in memory against the same names judged one by one; what keeps it up to date;
# a site's own words.
class PortfolioTest < Minitest::Test
  Desk = SteadyMove::Desk
  DAY = 86_400

  def setup = @world = BenchWorld.new(names_at: nil)
  def teardown = @world.close
  def app = @world.app
  def snapshots(at: app.now, to: nil)
    app.portfolio.snapshots(at: at, now: app.now, to: to, patience: 60)
  end

  def query(at: app.now, to: nil, **given)
    Desk::Portfolio::NamesQuery.new(
      given,
      Desk::Portfolio::NamesQuery.titles(app.accounts.all.to_h { |a| [a.id, a] })
    ).call(*snapshots(at: at, to: to))
  end

  def gate(name, **where)
    snapshots(**where).first.then { |p| p.gate(p.list.find { |e| e.ascii == name }) }
  end

  # Every name, at four instants, with and without destinations: the same gate, windows, soft
  # stretches and latest start.
  def test_the_index_says_what_the_judge_says
    [0, 19, 45, 300].each do |days|
      at = app.now + (days * DAY)
      [nil, "orlop", "cobble"].each do |to|
        snapshot = snapshots(at: at, to: to).first
        assert_equal 48, snapshot.list.size
        snapshot.list.each do |entry|
          one = Desk::Portfolio::Judging.new(app).one(entry.ascii, at: at, to: to)
          outline = one.judgement.outline
          stretch = [at.to_i, at.to_i + Desk::Portfolio::Judging::HORIZON]
          assert_equal [
                         Desk::Portfolio::Gates.new(app, to).of_judged(one),
                         outline.windows(*stretch),
                         outline.soft(*stretch),
                         one.judgement.latest_safe_start
                       ],
                       [
                         snapshot.gate(entry),
                         entry.outline.windows(*stretch),
                         entry.outline.soft(*stretch),
                         entry.latest_safe
                       ],
                       "#{entry.ascii} in #{days} days to #{to}"
          assert_equal [one.verdict.kind, one.verdict.clears_at&.to_i],
                       entry.outline.gate(at.to_i).to_a.first(2)
        end
      end
    end
  end

  # The demo's names meet every rule, and each of the five families.
  def test_the_portfolio_meets_every_rule
    judged =
      app.names.all.flat_map do |r|
        [nil, "orlop", "cobble"].map do |to|
          Desk::Portfolio::Judging.new(app).one(r[:name], to: to)
        end
      end
    # All suffixes of the practice world are listed and whole, every account is whose it says, and
    # nothing has expired yet.
    elsewhere = %w[suffix-unlisted suffix-values other-registrar after-expiry]
    assert_empty Core::Readiness::Rules.all.keys - elsewhere -
                   judged.flat_map { |j| j.verdict.findings.map(&:rule) }.uniq
    assert_equal %w[at-once by-mail gtld presence push],
                 judged.map { |j| j.judgement.family.id }.uniq.sort
    assert_equal 6, judged.map { |j| j.account.id }.uniq.size
    assert_equal %w[northskerry-tickets.example],
                 judged.select { |j| j.facts[:signed] }.map { |j| j.name.ascii }.uniq
    assert_equal 5, judged.filter_map { |j| j.facts[:dns_host] }.uniq.size
  end

  # What changed is read anew, by whoever changed it: a look, a note, a code, a move, an account, an
  # override.
  def test_it_follows_what_changes
    name = "isles-timetable.example"
    assert_equal "ready", gate(name).kind
    Desk::Portfolio::Notes.new(app).put(name, "dispute", "case 9", by: "ada")
    assert_equal "blocked", gate(name).kind
    Desk::Portfolio::Notes.new(app).put(name, "dispute", nil, by: "ada")
    assert_equal "ready", gate(name, to: "orlop").kind
    second =
      SteadyMove::Desk::App.new(app.instance_variable_get(:@config), clock: @world.desk.clock)
    second.names.learn(
      name,
      [
        Core::Readiness::Fact.new(
          key: :statuses,
          value: ["serverTransferProhibited"],
          source: :account,
          seen_at: app.now,
          ref: "another process"
        )
      ]
    )
    second.close
    assert_equal %w[blocked blocked], [gate(name).kind, gate(name, to: "orlop").kind]
    account = app.accounts.find("orlop")
    app.accounts.put(
      account.dup.tap { |a| a.habits = a.habits.merge("payment" => "the card has expired") }
    )
    assert_equal ["needs", 1], gate("nightboat-saltern.example", to: "orlop").to_a.values_at(0, 3)
    id = @world.start("nightboat-saltern.example", to: "gannet")
    assert_equal SteadyMove::Store::Moves::Underway.new(id, "Survey", false),
                 snapshots.first.list.find { |e| e.ascii == "nightboat-saltern.example" }.move
    app.names.drop("ferry-cats.example")
    assert_equal 47, snapshots.first.list.size
  end

  # given => how many, the first name
  QUERIES = [
    [{ sort: "name" }, 48, "dolphin-watch-skerry.example"],
    [{ sort: "-name" }, 48, "xn--fhre-saltern-gcb.example"],
    [{ q: "fähre" }, 1, "xn--fhre-saltern-gcb.example"],
    [{ q: "GANNET skerry", sort: "expiry" }, 9, "skerry-sound.example"],
    [{ gate: "blocked", sort: "account" }, 6, "ferry-cats.example"],
    [{ account: "orlop", sort: "-expiry" }, 4, "saltern-pay.example"],
    [{ suffix: "fjd.test" }, 1, "saltern-press.fjd.test"],
    [{ within: 0, gate: "wait" }, 0, nil],
    [{ within: 14, gate: "wait" }, 2, "outer-isles"],
    [{ sort: "stay", limit: 1 }, 48, "isles-school-trips.brg.test"],
    [{ sort: "lock", limit: 1 }, 48, "isles-school"],
    [{ names: %w[kelpsound.example nobody.example] }, 1, "kelpsound.example"],
    [{ q: "no such thing" }, 0, nil],
    [{ sort: "expiry", offset: 47 }, 48, "northskerry-season-2026.example"]
  ].freeze

  def test_filters_and_orders
    QUERIES.each do |given, total, first|
      found = query(**given)
      assert_equal total, found.total, given if given[:within] != 14
      assert_equal first.nil?, found.rows.empty?, given
      if first&.end_with?("example", "test") && given[:sort] != "stay"
        assert_equal first, found.rows.first.ascii, given
      end
    end
    groups = query(group: "gate").groups
    assert_equal [%w[ready needs wait blocked], 48], [groups.map(&:first), groups.sum(&:last)]
    kinds =
      query(group: "account", sort: "name")
        .rows
        .chunk_while { |a, b| a.account_id == b.account_id }
        .map { |c| c.map(&:ascii) }
    assert_equal 6, kinds.size
    kinds.each { |names| assert_equal names.sort, names }
  end

  def test_what_if_counts_what_changes
    found = query(at: app.now + (45 * DAY))
    assert_equal(
      {
        %w[blocked unknown] => 1,
        %w[ready unknown] => 3,
        %w[wait needs] => 1,
        %w[wait ready] => 5,
        %w[needs blocked] => 1,
        %w[ready needs] => 1,
        %w[needs unknown] => 1
      },
      found.changes
    )
    assert_equal 13, query(at: app.now + (45 * DAY), changed: true).total
    assert_empty query.changes
  end

  # Families that move otherwise have their own steps; what a destination lacks is said before
  # anything begins.
  def test_other_families_go_their_own_way
    {
      "saltern-press.fjd.test" => %w[order landed],
      "isles-school-trips.brg.test" => %w[push landed],
      "saltern-heritage.crn.test" => %w[papers order registry-pending release landed]
    }.each do |name, steps|
      plan = @world.plan(name, to: "orlop").plan
      assert_equal steps,
                   plan.steps.map(&:id) & %w[papers push order registry-pending release landed],
                   name
    end
    assert_match(
      /could not be paid: no card or balance/,
      assert_raises(SteadyMove::Desk::Refused) do
        @world.start("isles-timetable.example", to: "cobble")
      end.message
    )
  end

  # most moves went there; else where orders and payment are said to be ready
  def test_where_names_usually_go
    usual = -> { Desk::Accounts::Destinations.usual(app) }
    assert_equal "orlop", usual.call
    app.db[:moves].delete
    assert_equal "orlop", usual.call, "ready to be paid"
    app.accounts.put(
      app.accounts.find("orlop").dup.tap { |a| a.habits = a.habits.merge("payment" => "no card") }
    )
    assert_equal "epp", app.accounts.find(usual.call).kind
    app.accounts.all.each { |a| app.accounts.put(a.dup.tap { |b| b.kind = "by_hand" }) }
    assert_nil usual.call
  end

  # Facts older than the set age are looked up again before a move is started.
  def test_old_facts_are_looked_up_again_before_an_act
    name = "isles-timetable.example"
    @world.world.change(name, { "statuses" => ["serverTransferProhibited"] })
    id = @world.start("nightboat-saltern.example", to: "orlop")
    assert_operator @world.move(id).id, :>, 0
    assert_empty @world.plan(name, to: "orlop").refusals, "fresh enough: not asked again"
    @world.driver.move_on(to: app.now + app.facts_age + 60)
    error = assert_raises(SteadyMove::Desk::Refused) { @world.start(name, to: "orlop") }
    assert_match(/The registry itself forbids a transfer/, error.message)
  end

  # rule or value, its new value under .example => how many gates change
  WORDS = [
    ["new-name", "30", 3],
    ["new-name", "off", 3],
    ["locked", "off", 37],
    ["recent-move", "0", 3],
    ["lock", "none", 37],
    ["near-expiry", "10", 0],
    ["max_years", "2", 0]
  ].freeze

  def test_overrules_are_shown_saved_and_taken_back
    ruling = Desk::Portfolio::Overruling.new(app)
    WORDS.each do |key, value, count|
      assert_equal count, ruling.preview("example", key, value).touched, "#{key} #{value}"
    end
    touched = ruling.preview("example", "new-name", "30")
    assert_equal %w[kelpquay.example oyster-smack-charter.example saltern-isles-group.example],
                 touched.names.map(&:first)
    before = app.db[:events].count
    id =
      ruling.save(
        "example",
        "new-name",
        "30",
        source: "the registry's letter",
        date: "2027-01-04",
        by: "ada"
      )
    assert_equal "needs",
                 gate("kelpquay.example").kind,
                 "a DNS host is to be chosen for its records"
    assert_equal ["the registry's letter", "site"],
                 Desk::Portfolio::Judging
                   .new(app)
                   .one("saltern-isles-group.example")
                   .verdict
                   .findings
                   .find { |f| f.rule == "new-name" }
                   .source
                   .values_at("text", "kind")
    ruling.take_back(id, by: "ada")
    assert_equal "wait", gate("kelpquay.example").kind
    assert_equal before + 2, app.db[:events].count
    [
      %w[example new-name soon x 2027-01-04],
      %w[nowhere new-name 5 x 2027-01-04],
      ["example", "new-name", "5", " ", "2027-01-04"],
      %w[example new-name 5 x May]
    ].each do |suffix, key, value, source, date|
      assert_raises(SteadyMove::Desk::Refused, "#{suffix} #{key} #{value}") do
        ruling.save(suffix, key, value, source: source, date: date, by: "ada")
      end
    end
    assert_raises(SteadyMove::Desk::Refused) { ruling.take_back(id, by: "ada") }
  end

  # A suffix that no family lists is told, given to a family by a site's own word, and then
  # overruled like any other.
  def test_a_suffix_that_no_family_lists
    ruling = Desk::Portfolio::Overruling.new(app)
    name = SteadyMove::Core::Names::DomainName.held("kelp.nowhere")
    app.names.put(name, "tarnbeck", at: app.now)
    assert_equal ["nowhere"], ruling.unlisted
    told = -> { Desk::Portfolio::Judging.new(app).one("kelp.nowhere").verdict.findings.map(&:rule) }
    assert_includes told.call, "suffix-unlisted"
    assert_raises(SteadyMove::Desk::Refused) { ruling.preview("nowhere", "family", "no-such") }
    given = { source: "the registry's own rules", date: "2027-01-04", by: "ada" }
    id = ruling.save("nowhere", "family", "gtld", **given)
    assert_empty ruling.unlisted
    refute_includes told.call, "suffix-unlisted"
    ruling.save("nowhere", "max_years", "5", **given)
    assert_equal 5, app.rulebook.family_of(name).max_years
    ruling.take_back(id, by: "ada")
    assert_equal ["nowhere"], ruling.unlisted
  end
end
