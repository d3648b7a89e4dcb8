# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# The gate of the list is the planner's verdict: for every name of the demo, towards every
# destination, it says what a plan with the host that is proposed first would say.
class GatesTest < Minitest::Test
  Desk = SteadyMove::Desk

  def setup = @world = BenchWorld.new(names_at: nil)
  def teardown = @world.close
  def app = @world.app

  def gates(to) = app.portfolio.snapshots(at: app.now, now: app.now, to: to, patience: 60).first

  # What the plan page proposes: the host that was chosen for its records, where they have to be
  # carried.
  def plan(name, to)
    judged = Desk::Portfolio::Judging.new(app).one(name, to: to)
    host = Desk::Portfolio::CarryHosts.chosen(app, name, to: to)
    @world.plan(name, to: to, host: judged.needs_carry? ? host&.id : nil)
  end

  # What a plan's refusals amount to.
  def told(name, to)
    judged = Desk::Portfolio::Judging.new(app).one(name, to: to)
    return "moving" if judged.move && !judged.move.plan.prepare?
    return "blocked" if judged.account.id == to

    proposal = plan(name, to)
    return "ready" if proposal.startable?
    return "unknown" if judged.findings_open.empty? && judged.verdict.lacking.any?

    within = judged.account.same_registrar?(app.accounts.find(to)) == true
    open =
      judged.findings_open.reject { |f| within && Desk::Common::Refusals::BETWEEN.include?(f.rule) }
    return "blocked" if open.any? { |f| f.effect == "bar" }

    open.any? ? "wait" : "needs"
  end

  def hold(to)
    snapshot = gates(to)
    snapshot.list.to_h do |entry|
      gate = snapshot.gate(entry)
      assert_equal told(entry.ascii, to),
                   gate.kind,
                   "#{entry.ascii} to #{to}: #{plan(entry.ascii, to).refusals}"
      if gate.kind == "needs"
        assert_equal plan(entry.ascii, to).refusals.size, gate.needs, entry.ascii
      end
      [entry.ascii, gate.kind]
    end
  end

  def test_every_name_towards_every_destination
    seen = %w[orlop cobble hawser].flat_map { |to| hold(to).values }
    assert_equal Desk::Portfolio::Gates::KINDS - %w[moving unknown],
                 Desk::Portfolio::Gates::KINDS & seen
    app.names.forget("isles-timetable.example", :account)
    app.names.forget("isles-timetable.example", :public_record)
    assert_equal "unknown", hold("orlop").fetch("isles-timetable.example"), "nothing of it was read"
    Desk::Portfolio::LookingAgain.new(app).call(["isles-timetable.example"]) { nil }
    assert_equal "ready", hold("orlop").fetch("isles-timetable.example"), "one look finds it out"
    @world.start("isles-timetable.example", to: "orlop")
    assert_equal "moving", hold("orlop").fetch("isles-timetable.example")
    assert_equal(
      "moving",
      gates(nil).then { |s| s.gate(s.list.find { |e| e.ascii == "isles-timetable.example" }).kind }
    )
  end

  # What is noted at a place, or known of a host, counts at once.
  def test_a_gate_follows_the_places
    assert_operator gates("orlop").tally["ready"],
                    :>=,
                    15,
                    "what the desk does on the way keeps nobody"
    Desk::Accounts::DestinationChecks.new(app).note("orlop", "profile", is: false, by: "ada")
    assert_equal(0, hold("orlop").count { |_, kind| kind == "ready" })
  end

  # A balance that open moves will use up is none for the next name.
  def test_a_gate_follows_what_is_left_of_a_balance
    orlop = app.accounts.find("orlop")
    app.accounts.put(orlop.dup.tap { |a| a.habits = a.habits.merge("paid_by" => "balance") })
    Desk::Accounts::DestinationChecks.new(app).note(
      "orlop",
      "balance",
      by: "ada",
      balance: Core::Money::Amount.new(1000, "EUR")
    )
    assert_equal "ready", kind_of("nightboat-saltern.example")
    @world.start("isles-timetable.example", to: "orlop")
    assert_equal "needs", kind_of("nightboat-saltern.example")
    assert_equal "needs", told("nightboat-saltern.example", "orlop")
  end

  def kind_of(name) = gates("orlop").then { |s| s.gate(s.list.find { |e| e.ascii == name }).kind }

  def test_a_name_that_is_made_ready_can_go
    name = "isles-timetable.example"
    Desk::Planning::Preparing.new(app).start(
      name,
      parts: %w[code],
      by: "ada",
      ends: app.now + 86_400
    )
    assert_equal "ready", hold("orlop").fetch(name)
  end
end
