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

  # What a table or a person says of services that no record can carry is asked about.
  def test_services_that_are_told
    rows = %w[Type,Name,Value A,@,192.0.2.9 URL301,www,https://saltern.example/]
    get("table", text: [*rows, "MAILFW,info,ada@saltern-office.example"].join("\n"))
    facts = { "key" => "tied_services", "value" => ["mail forwarding for shop", "a shop"] }
    SteadyMove::Desk::Portfolio::Notes.new(app).put(NAME, facts["key"], facts["value"], by: ADA)
    told = Records::TiedServices.new(app).open(NAME).to_h { |t| [t.detail, t.kind] }
    {
      "www.#{NAME} → https://saltern.example/" => "web_forwarding",
      "info.#{NAME} → ada@saltern-office.example" => "mail_forwarding",
      "mail forwarding for shop" => "mail_forwarding",
      "a shop" => "other"
    }.each { |detail, kind| assert_equal kind, told[detail], told }
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

  # A DNS client whose answers for one type are other than they were.
  class Bent < SimpleDelegator
    def initialize(client, type, **so)
      super(client)
      @type = type
      @so = so
    end

    def query(server, name, type)
      found = super
      type == @type ? found.dup.tap { |a| @so.each { |key, value| a[key] = value } } : found
    end
  end

  def bent(type, **so, &) = app.stub(:dns, Bent.new(app.dns, type, **so), &)

  # type that is answered otherwise, and how => [role, states]
  ANSWERS = {
    ["SOA", { rcode: "REFUSED" }] => ["old", %w[refused]],
    ["SOA", { rcode: "SERVFAIL" }] => ["old", %w[nothing]],
    ["SOA", { authoritative: false }] => ["old", %w[nothing]],
    ["NS", { answer: [], authority: [] }] => ["parent", %w[nothing]]
  }.freeze

  def test_what_a_server_may_answer
    ANSWERS.each do |(type, so), (role, states)|
      bent(type, **so) { assert_equal states, answers[role], [type, so].inspect }
    end
  end

  # Found by asking: names that all answer, and a server that is not its own authority.
  def test_found_by_asking
    app.names.learn(NAME, facts(source: :hand, tied_services: ["mail forwarding", "a shop"]))
    any = ->(_, name, type) { answer(type == "A" ? everywhere(name) : [], type) }
    app.dns.stub(:query, any) { assert_match(/Every name under #{NAME} answers/, probed) }
    assert_match(/names were asked for, usual ones/, probed)
    assert_equal %w[mail_forwarding other], noted_services.map(&:kind)
  end

  def noted_services =
    Records::TiedServices.new(app).open(NAME).select { |t| t.detail =~ /shop|mail/ }
  def probed = SteadyMove::Words.text(get("probe").says)
  def everywhere(name)
    Core::Records::ZoneReader.read("$TTL 60\n@ A 192.0.2.7\n", origin: name).records
  end

  def answer(records, type)
    SteadyMove::Wire::Dns::Answer.new(
      server: "ns1",
      rcode: "NOERROR",
      authoritative: type != "TXT",
      answer: records,
      authority: [],
      additional: []
    )
  end

  def test_without_name_servers
    app.names.learn(NAME, facts(source: :hand, name_servers: []))
    %i[account public_record].each { |source| app.names.forget(NAME, source) }
    refused(/name servers/) { get("transfer") }
    question = Records::HostQuestion.new(app)
    assert_equal [nil, false], [stage.present, question.asked?(judged)]
    refused(/name servers/) { question.answer(NAME, ends: true, by: ADA) }
  end

  def judged = SteadyMove::Desk::Portfolio::Judging.new(app).one(NAME)
end
