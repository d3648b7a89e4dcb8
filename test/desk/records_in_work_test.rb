# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# A zone's records on their way, stage by stage as the list of records tells it, with what the
# servers answer at that moment; and what can't be decided.
class RecordsInWorkTest < Minitest::Test
  Records = SteadyMove::Desk::Records
  Refused = SteadyMove::Desk::Refused
  NAME = "salternferries.example"
  ADA = "ada@saltern-office.example"

  attr_reader :world

  def setup = @world = BenchWorld.new(names_at: %w[tarnbeck])
  def teardown = world.close
  def app = world.app
  def carrying = Records::ZoneMigration.new(app)
  def get(source, **more) =
    Records::ZoneGetting.new(app).call(NAME, source: source, by: ADA, **more)
  def stage = Records::RecordsList.new(app).call(names: [NAME]).first
  def refused(match, &) = assert_match(match, assert_raises(Refused, &).message)

  # {role => states} of all servers, looked at now.
  def answers
    Records::LiveCheck
      .new(app)
      .call(NAME, by: ADA)
      .group_by(&:role)
      .transform_values { |list| list.map(&:state).uniq.sort }
  end

  def test_stage_by_stage
    assert_equal "no_copy", stage.state
    refused(/copy/) { carrying.fill(NAME, by: ADA) }
    assert_equal %w[answers], answers["old"], "nothing is there to compare with"
    get("transfer")
    assert_equal "choose", stage.state
    assert_equal({ "old" => %w[old], "parent" => %w[old] }, answers)
    carrying.choose(NAME, by: ADA, host_id: "lanternroom", choice: "carry")
    assert_equal "fill", stage.state
    assert_equal %w[refused], answers["new"]
    carrying.fill(NAME, by: ADA)
    assert_equal [%w[both], %w[old]], answers.values_at("new", "parent")
    assert_equal ["equal", { "both" => 4 }], [stage.state, stage.servers]
    carrying.choose(NAME, by: ADA, host_id: nil, choice: nil)
    assert_equal "choose", stage.state
  end

  # The copy is of an older day: neither what the host answers, nor what was wanted.
  def test_a_zone_that_changed_since
    copy = get("transfer").zone
    text =
      Core::Records::ZoneWriter.write(copy).sub(/^(\S*\s+\d+\s+IN\s+A\s+)\S+$/, '\\1192.0.2.99')
    get("file", text: text)
    assert_equal %w[neither], answers["old"]
    carrying.choose(NAME, by: ADA, host_id: "lanternroom", choice: "carry")
    carrying.fill(NAME, by: ADA)
    assert_equal [%w[neither], %w[both]], answers.values_at("old", "new")
  end

  def test_what_can_not_be_decided
    get("transfer")
    carrying.choose(NAME, by: ADA, host_id: "lanternroom", choice: "carry")
    set = carrying.sheet(NAME).rows.first.id
    tied = Records::TiedServices.new(app)
    2.times { tied.found(NAME, kind: "mail_forwarding", detail: "to ada") }
    known = tied.open(NAME).map(&:detail)
    assert_equal 1, known.count("to ada"), "what is known already is not found twice"
    refused(/sail/) { carrying.choose(NAME, by: ADA, choice: "sail") }
    refused(/transfer/) { get("sails") }
    refused(/replaced/) { tied.settle(NAME, tied.open(NAME).first.key, state: "sunk", by: ADA) }
    refused(/leave/) { carrying.decide(NAME, set, { "choice" => "sink" }, by: ADA) }
    carrying.decide(NAME, set, { "choice" => "leave", "reason" => "old" }, by: ADA)
    assert_equal "leave", carrying.sheet(NAME).rows.first.decision.choice
    carrying.decide(NAME, set, { "choice" => nil }, by: ADA)
    assert_nil carrying.sheet(NAME).rows.first.decision
    refused(/nobody.example/) { Records::LiveCheck.new(app).call("nobody.example") }
  end
end
