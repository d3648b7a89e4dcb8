# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Names that may expire before their move is through: nobody starts them unasked, alone or in a
# batch; renewed first over the connection or by hand, or sent on their way knowingly.
class LatenessTest < Minitest::Test
  include ByHand

  Desk = SteadyMove::Desk
  NAME = "puffinpier.example" # expires in nine days, at Gannet Street
  DAY = 86_400

  def app = world.app
  def registry = world.world.registry
  def setup = live_with("gannet", "tarnbeck")
  def expires(name = NAME) = Time.at(registry.find(name)[:expires_at]).utc

  # A name at a registrar that does all over its connection, made to expire in nine days.
  def soon(name = "harbourpass.example")
    registry.domains.where(name: name).update(expires_at: (app.now + (9 * DAY)).to_i)
    Desk::Portfolio::Observe.new(app).name(domain(name), app.accounts.find("tarnbeck"))
    name
  end

  def batches = Desk::Batches::BatchCommands.new(app)

  def test_it_is_not_ready_and_does_not_start_unasked
    judged = Desk::Portfolio::Judging.new(app).one(NAME)
    assert_equal ["needs", nil],
                 Desk::Portfolio::Gates.new(app).of_judged(judged).to_a.values_at(0, 1)
    late = judged.verdict.findings.find { |f| f.rule == "too-late" }
    assert_equal ["fix", nil], [late.effect, late.clears_at], "an expiry clears nothing"
    refute_includes judged.verdict.findings.map(&:rule), "near-expiry", "one advice"
    plan = world.plan(NAME, to: "orlop")
    assert_equal [false, true], [plan.startable?, plan.late]
    assert_match(
      /Choose: renew it first at .* \(\d+\.\d\d EUR for a year\), or go all the same/,
      plan.refusals.join
    )
    assert_raises(Desk::Refused) { world.start(NAME, to: "orlop") }
    assert_raises(Desk::Refused) { world.start(NAME, to: "orlop", late: "perhaps") }
  end

  # The year is bought, proven by the record's expiry, and the move adds its own.
  def test_renewed_first_over_the_connection
    name = soon
    before = expires(name)
    plan = world.plan(name, to: "orlop", late: "renew")
    assert_equal [true, before, Core::Expiry.add_years(before, 2)],
                 [plan.startable?, plan.plan.renewed_from, plan.plan.expected_expiry]
    assert_equal plan.quote.total.minor + plan.quote.stay.minor, plan.total.minor, "both are paid"
    id = world.start(name, to: "orlop", late: "renew", price: plan.total)

    world.until_true(what: "the year") { state(id)["renew"].done? }
    assert_equal Core::Expiry.add_years(before, 1), expires(name)
    assert_equal(1, world.link.log.count { |l| l["command"] == "renew" })
    refute state(id)["order"].done?, "nothing is ordered before the year shows"
    world.until_true(most: 200, what: "the end") { state(id).ending }
    assert_equal ["Settled", Core::Expiry.add_years(before, 2)], [state(id).stage, expires(name)]
    checks = state(id).told("checks").data["checks"]
    assert_empty(checks.reject { |c| c["ok"] })
  end

  # A renewal whose answer was lost is not bought twice: the expiry that it had goes with the
  # command.
  def test_a_renewal_is_not_bought_twice
    id = world.start(NAME, to: "orlop", late: "renew")
    world.link.fault("answer-gannet-renew", "2400")
    world.runner.pass
    refute state(id)["renew"].done?
    registry.renew("gannet", NAME, expires.strftime("%F"), years: 1, at: app.now)
    once = expires
    world.link.fault("answer-gannet-renew", nil)
    world.until_true(what: "the year") { state(id)["renew"].done? }
    assert_equal once, expires
  end

  def test_going_all_the_same_is_said_by_name
    plan = world.plan(NAME, to: "orlop", late: "go")
    assert_predicate plan, :startable?
    assert_includes plan.cautions.join, "site and mail may go dark"
    id = world.start(NAME, to: "orlop", late: "go")
    assert_match(
      /go all the same, knowing/,
      world.move(id).events.find { |e| e.type == "late-chosen" }.says
    )
    assert_nil state(id)["renew"]
  end

  # In a batch nobody is sent past its expiry in silence: it is left out until a person chooses, and
  # then goes first.
  def test_in_a_batch
    names = [NAME, "harbourpass.example", "isles-timetable.example"]
    id, = batches.make(names, to: "orlop", trial: true, by: ADA)
    review = Desk::Batches::BatchReview.new(app).review(batches.find(id))
    assert_equal [[NAME], true], [review.left_out.map(&:name), review.left_out.first.late]
    batches.change_names(id, by: ADA, own: { NAME => { "late" => "renew" } })
    review = Desk::Batches::BatchReview.new(app).review(batches.find(id))
    assert_empty review.left_out
    assert_raises(Desk::Refused) do
      batches.change_names(id, by: ADA, own: { NAME => { "late" => "x" } })
    end
  end
end
