# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Whole moves against a practice world, over its protocols.
class JourneyTest < Minitest::Test
  CARRIED = "saltern-isles.example"
  KEPT = "nightboat-saltern.example"
  ACTS = /update|transfer (request|approve|cancel|reject)/

  def setup = @world = BenchWorld.new
  def teardown = @world.close

  # What the registry and registrars were asked to change, as [side, command, result].
  def asked(name)
    @world
      .link
      .log
      .select { |l| l["name"] == name && l["command"] =~ ACTS }
      .map { |l| l.values_at("registrar", "command", "code") }
  end

  def at_release(id) = @world.until_true { @world.move(id).state["release"].active? }
  def said(id) = @world.move(id).events.map(&:says)

  # What was noted of the old account ends with it; what was noted of the name stays.
  def test_what_was_noted_of_the_old_account_ends_with_it
    notes = SteadyMove::Desk::Portfolio::Notes.new(@world.app)
    noted = { "stay_price" => "99 EUR", "expires_at" => "2031-01-01", "note" => "the shop" }
    noted.each { |key, value| notes.put(KEPT, key, value, by: "ada") }
    facts = -> { @world.app.names.facts(KEPT) }
    refute_nil facts.call[:stay_price]
    id = @world.start(KEPT, to: "orlop")
    @world.runner.pass
    at_release(id)
    @world.orders.approve(id, by: "ada@saltern-office.example")
    @world.until_true { @world.move(id).state.landed? }
    assert_nil facts.call[:stay_price], "another account's price"
    refute_equal 2031, facts.call[:expires_at]&.year
    assert_equal "the shop", facts.call[:note]
    assert(
      @world.app.journal.page(name: KEPT, limit: 200).any? { |e| e.says.match?(/old account/) }
    )
  end

  def test_a_move_with_its_records_from_end_to_end
    code = @world.world.registry.find(CARRIED)[:auth_info]
    proposal = @world.plan(CARRIED, to: "orlop", host: "lanternroom")
    assert_equal [902, 598, utc("2028-09-24T08:00:00Z"), 93_600],
                 [
                   proposal.quote.total.minor,
                   proposal.quote.saves.minor,
                   proposal.plan.expected_expiry,
                   proposal.plan.settle_seconds
                 ]
    id = @world.start(CARRIED, to: "orlop", host: "lanternroom")
    @world.runner.pass
    at_release(id)
    assert_equal "checked", @world.app.codes.state_of(id)
    assert_includes @world.world.registry.find(CARRIED)[:statuses], "pendingTransfer"
    @world.orders.approve(id, by: "ada@saltern-office.example")
    @world.until_true { !@world.move(id).open }

    move = @world.move(id)
    assert_equal "Settled", move.state.stage
    landed = @world.world.registry.find(CARRIED)
    assert_equal ["orlop", utc("2028-09-24T08:00:00Z").to_i, ["clientTransferProhibited"]],
                 landed.values_at(:sponsor, :expires_at, :statuses)
    assert_equal [
                   ["tarnbeck", "update", 1000],
                   ["tarnbeck", "update", 1001],
                   ["orlop", "transfer request", 1001],
                   ["tarnbeck", "transfer approve", 1000],
                   ["orlop", "update", 1000]
                 ],
                 asked(CARRIED)
    assert_equal "wiped", @world.app.codes.state_of(id)
    assert_nil @world.app.journal.broken_at
    assert_equal "orlop", @world.app.names.find(CARRIED)[:account_id]
    move
      .events
      .select(&:done?)
      .each do |e|
        assert e.evidence["source"] && e.evidence["seen_at"], "#{e.step} has no evidence"
      end
    assert_includes move.events.select { |e| e.type == "mail" }.map { |e| e.data["kind"] },
                    "approval-request"
    no_trace_of(code)
  end

  # The order left only after no resolver that obeys its TTLs could ask the old host, whose zone
  # then ended.
  def test_the_old_host_may_go_when_the_name_lands
    id = @world.start(CARRIED, to: "orlop", host: "lanternroom")
    at_release(id)
    @world.orders.approve(id, by: "ada")
    @world.until_true { !@world.move(id).open }
    events = @world.move(id).events
    switched = events.find { |e| e.step == "ns-shown" && e.done? }.at
    ordered = events.find { |e| e.step == "order" && e.type == "intended" }.at
    assert_operator ordered - switched, :>=, 93_600
    assert_nil @world.world.hosts["tarnbeck-dns"].zone(Records::Name.parse("#{CARRIED}."))
    assert_equal "NOERROR",
                 @world.app.dns.query("ns1.lanternroom.example", "www.#{CARRIED}", "A").rcode
  end

  def test_five_days_of_silence_approve
    id = @world.start(KEPT, to: "orlop")
    @world.runner.pass
    at_release(id)
    deadline = @world.move(id).state.deadline
    @world.driver.move_on(to: deadline - 60)
    assert_equal "yours", @world.move(id).state.turn
    @world.driver.move_on(to: deadline + 3600)
    assert_equal "Settled", @world.move(id).state.stage
    assert(said(id).any? { |s| s.include?("Nobody answered") })
  end

  def test_calling_off_a_pending_transfer_leaves_the_name_safe
    id = @world.start(KEPT, to: "orlop")
    @world.runner.pass
    at_release(id)
    @world.orders.call_off(id, by: "ada")
    @world.runner.pass
    assert_equal ["Cancelled", false], [@world.move(id).state.stage, @world.move(id).open]
    row = @world.world.registry.find(KEPT)
    assert_equal ["tarnbeck", ["clientTransferProhibited"]], row.values_at(:sponsor, :statuses)
    assert_equal "wiped", @world.app.codes.state_of(id)
    again = @world.start("harbourpass.example", to: "orlop")
    @world.orders.approve(again, by: "ada")
    refute_predicate @world.move(again).state,
                     :approved?,
                     "before it is asked for it is only a wish"
    assert_predicate @world.move(again).state, :wished?
    refute_nil @world.plan(KEPT, to: "orlop"), "the name can be planned again"
  end

  # What can't start says why.
  REFUSED = {
    "kelpquay.example" => "within 60 days of its creation",
    "northskerry-line.example" => "within 60 days",
    "tern-island-cruises.example" => "registry itself forbids",
    CARRIED => "choose a DNS host"
  }.freeze

  def test_what_can_not_start_says_why
    REFUSED.each do |name, reason|
      error = assert_raises(SteadyMove::Desk::Refused, name) { @world.start(name, to: "orlop") }
      assert_includes error.message, reason
    end
    @world.start(KEPT, to: "orlop")
    assert_includes assert_raises(SteadyMove::Desk::Refused) {
                      @world.start(KEPT, to: "orlop")
                    }.message,
                    "already on the move"
  end

  private

  def no_trace_of(code)
    files = Dir[File.join(@world.folder, "desk", "**", "*")].select { |f| File.file?(f) }
    refute_empty files
    files.each { |f| refute_includes File.binread(f), code, "#{f} holds the authorization code" }
  end
end
