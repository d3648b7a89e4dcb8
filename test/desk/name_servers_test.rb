# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Do site and mail stay up? Said only where somebody knows: whose the name servers are is asked
# before the start, every zone is copied, every server is asked before the order and after the
# landing.
class NameServersTest < Minitest::Test
  Desk = SteadyMove::Desk
  NAME = "nightboat-saltern.example"
  ADA = "ada@saltern-office.example"

  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def state(id) = world.move(id).state
  def question = Desk::Records::HostQuestion.new(app)
  def gate
    Desk::Portfolio::Gates
      .new(app, "orlop")
      .of_judged(Desk::Portfolio::Judging.new(app).one(NAME, to: "orlop"))
      .kind
  end
  def uptime(plan) = Desk::Planning::InShort.new(app).uptime(plan).to_s

  # Nobody wrote down who serves it.
  def forget_host
    host = app.accounts.host_serving(app.names.facts(NAME)[:name_servers])
    app.accounts.remove_host(host.id)
    Desk::Accounts::HostFacts.relearn(app, host.name_servers)
  end

  def zone_goes
    world.world.exclusively do
      world.world.instance_variable_get(:@db)[:zones].where(origin: "#{NAME}.").delete
    end
  end

  def test_known_hosts_say_so
    assert_equal ["ready", Core::Answer::YES], [gate, app.names.facts(NAME).dns_stays]
    assert_match(
      /stay up: the name servers stay, and .* outlives/,
      uptime(world.plan(NAME, to: "orlop").plan)
    )
  end

  # The page for the site's owner says no more of it than the desk does.
  def test_whoever_follows_from_outside_is_told_the_same
    told = ->(id) { Desk::Automation::StatusText.new(app).of_move(world.move(id)).join(" ") }
    assert_match(
      /stay up: the name servers stay, and .* outlives/,
      told[world.start("isles-timetable.example", to: "orlop")]
    )
    forget_host
    question.answer(NAME, ends: true, by: ADA)
    left_behind = told[world.start(NAME, to: "orlop", choice: "stay")]
    assert_match(/Site and mail go down/, left_behind)
    refute_match(/stay up/, left_behind)
  end

  def test_what_nobody_knows_is_asked_before_the_start
    forget_host
    assert_equal ["needs", Core::Answer::UNKNOWN], [gate, app.names.facts(NAME).dns_stays]
    proposal = world.plan(NAME, to: "orlop")
    refute_predicate proposal, :startable?
    refute_empty proposal.dns_question
    assert_match(/Not known whether .*: nobody has said/, uptime(proposal.plan))
    assert_raises(Desk::Refused) { world.start(NAME, to: "orlop") }
    hints = question.hints(NAME)
    assert_match(/other name/, hints.map(&:says).join)
    question.answer(NAME, ends: false, by: ADA)
    assert_equal [true, "ready"], [world.plan(NAME, to: "orlop").startable?, gate]
    assert_raises(Desk::Refused) { question.answer(NAME, ends: true, by: ADA) }
  end

  # One answer holds for all names with these servers, and yes means that the records have to be
  # carried.
  def test_yes_means_carrying
    forget_host
    question.answer(NAME, ends: true, by: ADA)
    assert_equal Core::Answer::NO, app.names.facts(NAME).dns_stays
    assert_match(
      /go down unless the records are carried/,
      uptime(world.plan(NAME, to: "orlop").plan)
    )
    assert_match(/choose a DNS host/, world.plan(NAME, to: "orlop").refusals.join)
    assert_equal "needs", gate
    third = app.accounts.hosts.find { |h| h.ends_with && h.ends_with != "tarnbeck" }
    third ||=
      app.accounts.hosts.first.tap do |h|
        app.accounts.put_host(h.dup.tap { |d| d.ends_with = "gannet" })
      end
    assert_match(/would go with it/, world.plan(NAME, to: "orlop", host: third.id).refusals.join)
  end

  def settled(id) = world.until_true(most: 200, what: "the end") { state(id).ending || stuck?(id) }
  def stuck?(id) = state(id)["check-landed"].phase == "stuck"

  def test_a_copy_before_the_order_and_every_server_after_the_landing
    id = world.start(NAME, to: "orlop")
    settled(id)
    assert_equal "Settled", state(id).stage
    kept, asked = %w[keep-zone answers-before].map { |step| state(id)[step] }
    assert_operator asked.done_at, :<=, state(id).first_try_at("order")
    assert_match(/A copy of the zone is kept/, kept.says)
    answers = state(id).told("checks").data["checks"].find { |c| c["what"].include?("answers") }
    assert answers["ok"]
    app.names.facts(NAME)[:name_servers].each { |server| assert_includes answers["found"], server }
  end

  # The answer was wrong: the zone went with the account, both servers refuse, and nothing is
  # settled.
  def test_a_zone_that_goes_with_the_account_is_never_settled
    id = world.start(NAME, to: "orlop")
    world.until_true(what: "the release") { state(id)["release"].active? }
    zone_goes
    world.orders.approve(id, by: ADA)
    settled(id)
    assert_equal(%w[stuck yours], state(id)["check-landed"].then { |s| [s.phase, s.turn] })
    assert_match(/does not serve the zone|as before the order/, state(id)["check-landed"].says)
    refute_empty app.zone_migrations.copy_of(NAME).zone.all, "the copy is at hand"
    assert_empty app.zone_migrations.names_in_work, "a copy for a move alone makes no work"
  end

  # Nobody serves it already: a person is told before money is spent.
  def test_a_site_that_is_down_before_the_order_is_told
    zone_goes
    id = world.start(NAME, to: "orlop")
    world.driver.move_on(to: app.now + 7200)
    assert_equal(%w[stuck yours], state(id)["keep-zone"].then { |s| [s.phase, s.turn] })
    refute state(id)["order"].active?
    world.orders.accept(id, by: ADA, step: "keep-zone", reason: "there is no site")
    settled(id)
    assert_equal "Settled", state(id).stage
    unseen = state(id).told("checks").data["checks"].select { |c| c["ok"].nil? }
    assert_equal 1, unseen.size, "nobody can say whether it answers as before"
    assert_match(
      /can't be seen from outside/,
      Desk::Planning::InShort.new(app).result(world.move(id))
    )
  end

  # Name servers, and the network of each host => what is made of them: [sentence, ends].
  SITE = "pages.tarnbeck.example"
  QUAY = %w[ns1.quay.example ns2.quay.example].freeze
  HINTS = [
    [%w[ns1.OWN ns2.OWN], {}, [/they belong to/, true]],
    [QUAY, {}, [/nothing in their names/, nil]],
    [QUAY, {}, [/could not be looked up/, nil]],
    [QUAY, { QUAY.first => "192.0.2.1" }, [/in another network/, nil]],
    [QUAY, { QUAY.last => "192.0.2.1", SITE => "192.0.2.9" }, [/in the same network/, true]]
  ].freeze

  def test_evidence_of_whose_they_are
    account = app.accounts.find("tarnbeck")
    app.accounts.keep_habits(account, "site" => "https://#{SITE}/")
    own = account.sender_domains.first
    HINTS.each do |servers, networks, (says, ends)|
      servers = servers.map { |s| s.sub("OWN", own) }
      app.names.learn(NAME, facts(source: :public_record, name_servers: servers))
      app.names.learn(NAME, facts(source: :account, name_servers: servers))
      asking = question
      asking.define_singleton_method(:addresses) { |host| [networks[host]].compact }
      found = asking.hints(NAME).select { |h| h.says.match?(says) }
      assert_equal [ends], found.map(&:ends), [servers, networks].inspect
    end
  end

  # A host that nobody knew is called by what its servers' names have in common.
  def test_what_a_host_is_called
    {
      QUAY => "quay.example",
      %w[ns1.a.test ns9.b.example] => "ns1.a.test"
    }.each do |servers, title|
      %i[public_record account].each do |source|
        app.names.learn(NAME, facts(source: source, name_servers: servers))
      end
      app.names.forget(NAME, :desk)
      question.answer(NAME, ends: false, by: ADA)
      assert_equal title, app.accounts.host_serving(servers).title
    end
  end
end
