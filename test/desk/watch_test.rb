# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/list_server"

# Names looked at again by themselves, what has changed since, and the list of public record
# services.
class WatchTest < Minitest::Test
  include ByHand

  NAME = "harbourpass.example"

  def live = @world = BenchWorld.new(names_at: %w[tarnbeck], watch: true)

  def told(name = NAME)
    world
      .app
      .journal
      .page(name: name, limit: 50)
      .select { |e| e.type == "record-changed" }
      .map(&:says)
  end

  def after(hours) = world.driver.move_on(to: world.app.now + (hours * 3600))

  # change in the registry => what is told
  CHANGES = [
    [{ statuses: '["ok"]' }, /transfer lock on → off/],
    [
      { name_servers: '["ns9.elsewhere.example"]' },
      /name servers .*lanternroom.example → ns9.elsewhere.example/
    ],
    [{ expires_at: Time.utc(2030, 1, 1).to_i }, /expiry .* → .*2030/],
    [{ ds: '["12345 13 2 AB"]' }, /DS at the registry off → on/],
    [{ sponsor: "gannet" }, /registrar Tarnbeck Names → Gannet Street Names/]
  ].freeze

  def test_what_changed_since_is_told_once
    live
    world.runner.pass
    CHANGES.each do |change, says|
      world.world.registry.domains.where(name: NAME).update(change)
      before = told.size
      after(25)
      assert_match says, told.first
      assert_equal before + 1, told.size
    end
    after(49)
    assert_equal CHANGES.size, told.size, "nothing changed since"
  end

  # Daily, and sooner where something is due.
  def test_how_often
    live
    world.runner.pass
    world
      .app
      .watches
      .due(since: world.app.now - 1, most: 99)
      .then { |rows| assert_empty rows, "all were looked at" }
    near = world.app.names.stirring(world.app.now, near: SteadyMove::Desk::Portfolio::Watch::NEAR)
    assert_empty near
    world
      .world
      .registry
      .domains
      .where(name: NAME)
      .update(expires_at: (world.app.now + (20 * 86_400)).to_i)
    after(25)
    assert_equal [NAME],
                 world.app.names.stirring(
                   world.app.now,
                   near: SteadyMove::Desk::Portfolio::Watch::NEAR
                 )
    world.world.registry.domains.where(name: NAME).update(statuses: '["ok"]')
    after(7)
    assert_match(/transfer lock on → off/, told.first, "within hours")
  end

  # What nobody answered does not count as looked at: it is tried again within hours, behind nobody,
  # and Status says since when the public record is silent.
  def test_only_an_answered_look_counts
    live
    world.runner.pass
    world.world.set_fault("rdap-garbage", true)
    after(25)
    now = world.app.now
    rows = world.app.watches.due(since: now - 86_400, tried: now, most: 99)
    assert_includes rows.map { |row| row[:name] }, NAME
    check = health.checks.find { |c| c.title.start_with?("Public record at") }
    refute check.well, check.says
    assert_in_delta now, check.since, 3 * 3600, "since it was first asked in vain"
    world.world.set_fault("rdap-garbage", nil)
    after(2)
    assert_empty world.app.watches.due(since: world.app.now - 86_400, most: 99)
    assert health.checks.find { |c| c.title.start_with?("Public record at") }.well
  end

  def health = SteadyMove::Desk::Operations::Health.new(world.app, world.runner)

  # A host that asks for fewer questions is left alone for as long as it says.
  def test_a_busy_host_is_left_alone
    live
    world.world.set_fault("rdap-busy", true)
    world.runner.pass
    asked = world.app.watches.due(since: world.app.now, most: 99).size
    assert_operator asked, :>, 5, "what was not answered is still due"
    world.world.set_fault("rdap-busy", nil)
    after(0.5)
    assert_empty world.app.watches.due(since: world.app.now - 1800, most: 99)
  end

  SERVICES =
    '{"version":"1.0","services":[[["isle","Skerry"],["http://a.example/","https://b.example/rdap' \
      '/"]]]}'

  def test_services_as_rfc_9224_has_them
    assert_equal(
      { "isle" => "https://b.example/rdap/", "skerry" => "https://b.example/rdap/" },
      SteadyMove::Desk::Accounts::Bootstrap.services(SERVICES)
    )
    ["", "[]", '{"services":[[1,2]]}', "{}"].each do |text|
      assert_raises(SteadyMove::Wire::Malformed, text) do
        SteadyMove::Desk::Accounts::Bootstrap.services(text)
      end
    end
  end

  # Fetched once, kept over a restart, used for names whose suffix nobody configured; what is said
  # by hand rules.
  def test_the_list_is_fetched_kept_and_used
    live
    server = ListServer.new(SERVICES)
    world.app.settings.set("bootstrap", { "url" => server.url }, at: world.app.now)
    world.runner.pass
    assert_equal "https://b.example/rdap/", world.app.settings.places.rdap_bases["isle"]
    assert_match(/127\.0\.0\.1/, world.app.settings.places.rdap_bases["example"])
    after(3)
    assert_equal 1, server.asked, "it is fresh"
    after(25)
    assert_equal 2, server.asked
    world.app.settings.set("bootstrap", nil, at: world.app.now)
    refute world.app.settings.places.rdap_bases.key?("isle"), "switched off"
    assert_raises(SteadyMove::Desk::Refused) do
      world.app.settings.set("bootstrap", { "url" => "ftp://x" }, at: world.app.now)
    end
  ensure
    server&.stop
  end
end
