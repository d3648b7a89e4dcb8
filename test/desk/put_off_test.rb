# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Names that were taken in while nobody answered; a name in the grace year of its renewal.
class PutOffTest < Minitest::Test
  NAME = "harbourpass.example"
  DAY = 86_400

  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def registry = world.world.registry
  def look =
    SteadyMove::Desk::Portfolio::Observe.new(app).name(domain(NAME), app.accounts.find("tarnbeck"))

  # The public record asks for a pause, or has none to give: the name is taken in, and looked up
  # later by itself.
  def test_names_that_were_taken_in_while_nobody_answered
    app.names.drop(NAME)
    by_hand = app.accounts.find("tarnbeck").dup.tap { |a| a.kind = "by_hand" }
    app.accounts.put(by_hand)
    world.link.fault("rdap-busy", "on")
    imports = SteadyMove::Desk::Portfolio::Imports.new(app)
    choices = SteadyMove::Core::Imports::Choices.none
    choices.account = by_hand.id
    id = imports.start(NAME, choices, by: "ada")
    imports.go_on(id)
    far = app.imports.far(id)
    assert_equal [1, [], 0], [far.added, far.refused, app.imports.told(id)]
    put_off = SteadyMove::Desk::Portfolio::DeferredLookups.new(app)
    assert_equal [true, 1, false], [put_off.due?, put_off.look_up, put_off.due?]
    world.link.fault("rdap-busy", nil)
    world.driver.move_on(to: app.now + 1300)
    refute_empty app.names.facts(NAME).keys
  end

  # The year that the losing side added by itself is taken back with the transfer, by the registry
  # and by the plan (RFC 3915 §3.1).
  def test_a_name_in_its_grace_year_keeps_its_expiry
    expires = utc("2029-02-09T08:00:00Z")
    registry
      .domains
      .where(name: NAME)
      .update(statuses: '["ok","autoRenewPeriod"]', expires_at: expires.to_i)
    moved = registry.domains.where(name: NAME)
    grace = expires - (366 * DAY)
    world.driver.move_on(to: grace + (5 * DAY)) if app.now < grace
    look
    assert_includes app.names.facts(NAME).statuses,
                    "autoRenewPeriod",
                    "told in the extension, not as a status"
    id = world.start(NAME, to: "orlop")
    assert_equal([true, expires], world.move(id).plan.then { |p| [p.in_grace, p.expected_expiry] })
    world.until_true(what: "landing") { world.move(id).state.landed? }
    assert_equal expires.to_i, moved.get(:expires_at)
    world.until_true(what: "the end") { world.move(id).state.ending }
    assert_equal "Settled", world.move(id).state.stage
  end
end
