# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Transfers that nobody here ordered; what registries leave in a queue; names that were taken in while nobody answered.
class StraysTest < Minitest::Test
  NAME = "harbourpass.example"
  DAY = 86_400

  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def registry = world.world.registry
  def strays = SteadyMove::Desk::Strays.new(app)
  def tarnbeck = app.accounts.find("tarnbeck")

  # Somebody elsewhere has the code and asks the registry.
  def somebody_asks
    registry.domains.where(name: NAME).update(statuses: '["ok"]')
    code = registry.find(NAME)[:auth_info]
    registry.request_transfer("lantern", NAME, code, years: 1, at: app.now)
  end

  def look = SteadyMove::Desk::Observe.new(app).name(domain(NAME), tarnbeck)
  def poll = SteadyMove::Desk::PollQueue.new(app).fetch(tarnbeck)

  def test_the_record_shows_it
    look
    assert_empty strays.open
    row = somebody_asks
    look
    stray = strays.open.first
    assert_equal [NAME, "tarnbeck", Time.at(row[:act_at]).utc], [stray.name, stray.account_id, stray.deadline]
    look
    assert_equal(1, app.journal.page(name: NAME).count { |e| e.type == "stray" }, "told once")
    strays.refuse(NAME, by: "ada")
    assert_equal ["clientRejected", []], [registry.newest_transfer(NAME)[:status], strays.open]
    look
    assert_empty strays.open
  end

  def test_the_registry_leaves_a_message
    somebody_asks
    assert_operator poll, :>=, 1
    line = app.journal.page(name: NAME).find { |e| e.type == "registry-message" }
    assert_equal %w[pending lantern], line.data.values_at("status", "requested_by")
    assert_equal "lantern", strays.open.first.requested_by
    assert_equal [0, 0], [registry.queue_for("tarnbeck").count, poll], "acknowledged, and not told twice"
    registry.end_transfer("tarnbeck", NAME, "reject", at: app.now)
    poll
    assert_empty strays.open, "it is over"
  end

  # Written down and not acknowledged: it is acknowledged the next time, and not told twice.
  def test_a_message_that_was_kept_and_not_acknowledged
    somebody_asks
    id = registry.queue_for("tarnbeck").first[:id].to_s
    app.db[:polled].insert(account_id: "tarnbeck", message: id, at: 0)
    poll
    assert_equal 0, registry.queue_for("tarnbeck").count
    refute(app.journal.page(name: NAME).any? { |e| e.type == "registry-message" && e.evidence["ref"] == id })
  end

  def drop(subject, from: "notices@tarnbeck.example")
    domain = from.partition("@").last
    proof = "Authentication-Results: post.saltern-office.example; dmarc=pass header.from=#{domain}\r\n"
    SteadyMove::Desk::PostRoom.new(app).drop("#{proof}From: #{from}\r\nDate: Mon, 01 Mar 2027 08:00:00 +0000\r\n" \
                                             "Message-ID: <#{rand}@x>\r\nSubject: #{subject}\r\n\r\n" \
                                             "Unless you object by 2027-03-06 10:00 UTC it goes ahead.")
  end

  def test_a_leaving_notice_tells_of_it
    drop("We were asked to transfer #{NAME} to another registrar", from: "x@elsewhere.test")
    assert_empty strays.open, "a doubtful one tells nothing"
    drop("We were asked to transfer #{NAME} to another registrar")
    assert_equal [utc("2027-03-06T10:00:00Z")], strays.open.map(&:deadline)
    strays.expected(NAME, by: "ada")
    drop("Transfer away of #{NAME} requested")
    assert_empty strays.open, "a person's word holds"
    assert_raises(SteadyMove::Desk::Refused) { strays.expected(NAME, by: "ada") }
  end

  def test_our_own_order_is_none
    id = world.start(NAME, to: "orlop")
    world.until_true(what: "the order") { world.move(id).state.marked(:orders).done? }
    look
    poll
    drop("We were asked to transfer #{NAME} to another registrar")
    assert_empty strays.open
  end

  # The public record asks for a pause, or has none to give: the name is taken in, and looked up later by itself.
  def test_names_that_were_taken_in_while_nobody_answered
    app.names.drop(NAME)
    by_hand = app.accounts.find("tarnbeck").dup.tap { |a| a.kind = "by_hand" }
    app.accounts.put(by_hand)
    world.link.fault("rdap-busy", "on")
    line = SteadyMove::Desk::TakingIn.new(app).call(SteadyMove::Desk::TakingIn.words(NAME), by_hand, by: "ada").first
    assert_equal ["taken", true], [line.fate, line.says.include?("checks it again by itself")], line.says
    put_off = SteadyMove::Desk::PutOff.new(app)
    assert_equal [true, 1, false], [put_off.due?, put_off.look_up, put_off.due?]
    world.link.fault("rdap-busy", nil)
    world.driver.move_on(to: app.now + 1300)
    refute_empty app.names.facts(NAME).keys
  end

  # The year that the losing side added by itself is taken back with the transfer, by the registry and by the plan
  # (RFC 3915 §3.1).
  def test_a_name_in_its_grace_year_keeps_its_expiry
    expires = utc("2029-02-09T08:00:00Z")
    registry.domains.where(name: NAME).update(statuses: '["ok","autoRenewPeriod"]', expires_at: expires.to_i)
    moved = registry.domains.where(name: NAME)
    grace = expires - (366 * DAY)
    world.driver.move_on(to: grace + (5 * DAY)) if app.now < grace
    look
    assert_includes app.names.facts(NAME).statuses, "autoRenewPeriod", "told in the extension, not as a status"
    id = world.start(NAME, to: "orlop")
    assert_equal([true, expires], world.move(id).plan.then { |p| [p.in_grace, p.expected_expiry] })
    world.until_true(what: "landing") { world.move(id).state.landed? }
    assert_equal expires.to_i, moved.get(:expires_at)
    world.until_true(what: "the end") { world.move(id).state.ending }
    assert_equal "Settled", world.move(id).state.stage
  end
end
