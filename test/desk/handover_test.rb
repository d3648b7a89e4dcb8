# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Records carried to another host: what happens to DS and name servers, and when (rules of the job
# §6).
class HandoverTest < Minitest::Test
  SIGNED = "northskerry-tickets.example"
  PLAIN = "salternferries.example"

  attr_reader :world

  def setup = @world = BenchWorld.new(names_at: %w[tarnbeck gannet])
  def teardown = world.close
  def app = world.app
  def registry = world.world.registry
  def state(id) = world.move(id).state
  def at(id, step) = state(id)[step].done_at
  def started(name) = world.start(name, to: "orlop", host: "lanternroom")
  def until_done(id, step)
    world.until_true(most: 200, what: step) { state(id)[step].done? || state(id).ending }
  end
  def over(id) = world.until_true(most: 400, what: "the end") { !state(id).open? }

  def old_zone_names(name)
    host = app.accounts.host_of(app.moves.of_name(name).first.plan.old_host)
    answer = app.dns.query(host.name_servers.first, name, "NS")
    answer.answer.map { |r| r.rdata.values.first.to_host }.sort
  end

  # The DS goes first; only when no cache can hold it any more do the name servers change.
  def test_a_signed_name_loses_its_ds_before_its_name_servers_change
    name = SIGNED
    greatest =
      app
        .dns
        .transfer(
          registry.find(name)[:name_servers].first,
          name,
          key:
            SteadyMove::Desk::Common::Zones.key(
              app.accounts.host_serving(registry.find(name)[:name_servers])
            )
        )
        .greatest_ttl
    ds_ttl = SteadyMove::Desk::Common::Zones.new(app).ds(domain(name)).last
    id = started(name)
    assert_includes world.move(id).plan.options, :signed
    until_done(id, "ds-in")
    assert_empty registry.find(name)[:ds]
    assert_operator at(id, "ds-forgotten") - at(id, "ds-out"), :>=, ds_ttl + greatest
    assert_operator at(id, "switch-ns"), :>=, at(id, "ds-forgotten")
    assert_match(/does not sign/, state(id).last_of("ds-in").says)
  end

  # The old zone's own NS set changes with the switch; without it the wait is longer.
  def test_the_old_zone_names_the_new_servers
    id = started(PLAIN)
    until_done(id, "ns-settled")
    assert_equal app.accounts.host_of("lanternroom").name_servers.sort, old_zone_names(PLAIN)
    told = state(id)
    seen = [told.told("parent_ttl").at, told.told("old_set").at].max
    zone = told.told("greatest").data
    parent = told.told("parent_ttl").data["parent_ttl"]
    bound = [parent, zone["zone_ns"]].max + [zone["greatest"], zone["negative"]].max
    assert_operator at(id, "ns-settled"), :>=, seen + bound
    over(id)
    assert_equal "Settled", state(id).stage
  end

  def test_an_old_host_that_takes_no_changes_is_waited_for_longer
    world.link.fault("no-update-tarnbeck-dns", "on")
    id = started(PLAIN)
    until_done(id, "ns-settled")
    told = state(id).told("old_set")
    refute told.data["old_set"]
    assert_match(/keep the old host/, state(id).last_of("old-ns-set").says)
    zone = state(id).told("greatest").data
    parent = state(id).told("parent_ttl").data["parent_ttl"]
    bound = parent + zone["zone_ns"] + [zone["greatest"], zone["negative"]].max
    assert_operator at(id, "ns-settled"), :>=, state(id).told("parent_ttl").at + bound
  end

  # Cancelled after the switch: the old name servers, the old DS and the lock, each looked at.
  def test_called_off_after_the_switch
    name = SIGNED
    before = registry.find(name)
    id = started(name)
    until_done(id, "ns-shown")
    world.orders.call_off(id, by: "ada@saltern-office.example")
    over(id)
    after = registry.find(name)
    assert_equal [before[:name_servers].sort, before[:ds].sort],
                 [after[:name_servers].sort, after[:ds].sort]
    assert_equal %w[ds-again ns-back],
                 state(id)
                   .steps
                   .select { |s| s.step.ending && s.done? }
                   .map { |s| s.step.id }
                   .sort & %w[ds-again ns-back]
    assert_equal before[:name_servers].sort, old_zone_names(name)
    told =
      world.move(id).events.find { |e| e.step == "ns-back-settled" && e.data["back_shown"] }.data
    assert_operator at(id, "ds-again"),
                    :>=,
                    told["back_shown"] + told["back_seconds"],
                    "no DS while caches may differ"
    assert_operator told["back_seconds"], :>=, state(id).told("parent_ttl").data["parent_ttl"]
  end

  # The name servers are left at the new host: then the old DS stays away.
  def test_called_off_signed_and_the_new_name_servers_kept
    id = started(SIGNED)
    until_done(id, "ns-shown")
    world.orders.call_off(id, by: "ada@saltern-office.example")
    world.orders.accept(
      id,
      by: "ada@saltern-office.example",
      step: "ns-back",
      reason: "the new host is better"
    )
    over(id)
    assert_empty registry.find(SIGNED)[:ds]
    assert_match(/the old DS stays away/, state(id)["ds-again"].says)
  end

  # By letter, too, the DS that stood there is known, and typed again.
  def test_the_ds_is_known_before_it_is_taken_away
    before = registry.find(SIGNED)[:ds].sort
    id = started(SIGNED)
    until_done(id, "compare-hosts")
    refute_empty before
    assert_equal before, state(id).told("ds").data["ds"].sort
    assert_equal "compare-hosts", state(id).told("ds").step
  end

  # A registry whose servers can't say what they hold says neither “no DS” nor “gone”; with it back,
  # all goes on.
  def test_what_the_registry_does_not_say_is_not_known
    id = started(SIGNED)
    { "compare-hosts" => 3600, "ds-forgotten" => 130_000 }.each do |held_up, seconds|
      world.link.fault("servfail-registry", "on")
      world.driver.move_on(to: app.now + seconds)
      refute state(id)[held_up].done?, held_up
      assert_match(/not known/, state(id).last_of(held_up).says)
      world.link.fault("servfail-registry", nil)
      until_done(id, "ds-out")
    end
    until_done(id, "switch-ns")
    assert_empty registry.find(SIGNED)[:ds]
  end

  # Or the new ones are kept, by a person's word.
  def test_called_off_and_the_new_name_servers_kept
    id = started(PLAIN)
    until_done(id, "ns-shown")
    world.orders.call_off(id, by: "ada@saltern-office.example")
    world.orders.accept(
      id,
      by: "ada@saltern-office.example",
      step: "ns-back",
      reason: "the new host is better"
    )
    over(id)
    assert_equal app.accounts.host_of("lanternroom").name_servers.sort,
                 registry.find(PLAIN)[:name_servers].sort
  end
end
