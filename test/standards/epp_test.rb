# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/published"
require "prop_check"

# Source of every check here: the IETF's own schemas and RFC texts (5730, 5731), as a general package carries them.
class EppStandardsTest < Minitest::Test
  Epp = SteadyMove::Wire::Epp
  Commands = Epp::Commands

  COMMANDS = {
    "hello" => Commands.hello, "login" => Commands.login(client: "saltern-web", password: "high-water", id: "abc-1"),
    "logout" => Commands.logout(id: "abc-2"), "check" => Commands.check(names: %w[a.example b.example], id: "abc-3"),
    "info" => Commands.info(name: "a.example", id: "abc-4"), "info with code" => Commands.info(name: "a.example", id: "abc-5", auth_info: "<&\"é"),
    "update" => Commands.update(name: "a.example", id: "abc-6", add: { statuses: %w[clientHold] }, rem: { name_servers: %w[ns.b.example] }),
    "poll" => Commands.poll_request(id: "abc-7"), "ack" => Commands.poll_acknowledge(message_id: "12", id: "abc-8")
  }.merge(%w[request query approve reject cancel].to_h { |op| ["transfer #{op}", Commands.transfer(op: op, name: "a.example", id: "abc-9", auth_info: "x", years: 2)] })

  def test_every_command_is_valid
    COMMANDS.each { |what, xml| assert_empty Published.objections(xml), what }
  end

  def test_commands_stay_valid_under_random_input
    g = PropCheck::Generators
    PropCheck.forall(g.printable_ascii_string, g.positive_integer) do |text, number|
      xml = Commands.transfer(op: "request", name: "x#{number}.example", id: "key-#{number}", auth_info: text, years: (number % 9) + 1)
      assert_empty Published.objections(xml)
      assert_equal text, Practice::Epp::Request.parse(xml).auth
    end
  end

  # RFC 5731's own examples: our builders say the same, our readers understand them.
  def canonical(xml) = Nokogiri::XML(xml, &:noblanks).canonicalize.gsub(/\s+/, " ").gsub("domain:", "").gsub(/ xmlns(:domain)?="[^"]*"/, "")

  def test_the_transfer_commands_of_rfc_5731
    query, request = Published.examples(5731, "C").select { |t| t.include?("<transfer op=") }
    built = Commands.transfer(op: "request", name: "example.com", id: "ABC-12345", auth_info: "2fooBAR", years: 1)
    assert_equal canonical(request.sub(' roid="JD1234-REP"', "")), canonical(built)
    assert_equal canonical(query.sub(' roid="JD1234-REP"', "")), canonical(Commands.transfer(op: "query", name: "example.com", id: "ABC-12345", auth_info: "2fooBAR"))
  end

  def test_the_responses_of_rfc_5731_are_understood
    responses = Published.examples(5731, "S").map { |t| Epp::Response.parse(t) }
    transfer = responses.map(&:data).grep(Epp::TransferInfo).first
    assert_equal ["example.com", "pending", "ClientX", utc("2000-06-06T22:00:00Z"), "ClientY", utc("2000-06-11T22:00:00Z"), utc("2002-09-08T22:00:00Z")],
                 transfer.to_a
    info = responses.map(&:data).grep(Epp::DomainInfo).first
    assert_equal ["example.com", ["ok"], %w[ns1.example.com ns1.example.net], utc("2005-04-03T22:00:00Z"), "2fooBAR"],
                 [info.name, info.statuses, info.name_servers, info.expires_at, info.auth_info]
    assert_equal({ "example.com" => true, "example.net" => false, "example.org" => true }, responses.map(&:data).grep(Hash).first)
  end

  # Every message of the server in a whole conversation, and the exchange of RFC 5731 §3.2.4: 1001, pending, poll, approve.
  def test_the_servers_messages_are_valid_and_the_transfer_runs_as_published
    heard = []
    world = BenchWorld.new
    tap_frames(heard) { converse(world) }
    heard.each { |xml| assert_empty Published.objections(xml), xml }
    assert_operator heard.size, :>, 12
  ensure
    world&.close
  end

  private

  def tap_frames(heard)
    original = Epp::Framing.method(:read)
    Epp::Framing.define_singleton_method(:read) { |io| original.call(io).tap { |xml| heard << xml if xml } }
    yield
  ensure
    Epp::Framing.define_singleton_method(:read, original)
  end

  def converse(world)
    losing, gaining = %w[tarnbeck orlop].map { |id| registry_client(world, id) }
    name = "isles-timetable.example"
    code = losing.request(Commands.info(name: name, id: "ask-1")).data.auth_info
    losing.request(Commands.check(names: [name, "free.example"], id: "ask-2"))
    wrong = assert_raises(SteadyMove::Wire::Refused) { gaining.request(Commands.info(name: name, id: "ask-3", auth_info: "wrong")) }
    assert_equal 2202, wrong.code
    reply = gaining.request(Commands.transfer(op: "request", name: name, id: "ask-4", auth_info: code, years: 1))
    assert_equal [1001, "pending", 5 * 86_400], [reply.code, reply.data.status, reply.data.act_at - reply.data.requested_at]
    queue = losing.request(Commands.poll_request(id: "ask-5"))
    assert_equal 1301, queue.code
    losing.request(Commands.poll_acknowledge(message_id: queue.queue.id, id: "ask-6"))
    assert_equal 1300, losing.request(Commands.poll_request(id: "ask-7")).code
    assert_equal "clientApproved", losing.request(Commands.transfer(op: "approve", name: name, id: "ask-8")).data.status
    moved = gaining.request(Commands.info(name: name, id: "ask-9")).data
    assert_equal ["orlop", Core::Expiry.add_years(utc("2028-02-18T08:00:00Z"), 1)], [moved.sponsor, moved.expires_at]
    [losing, gaining].each(&:close)
  end

  def registry_client(world, id)
    endpoints = JSON.parse(File.read(File.join(world.folder, "world", "endpoints.json")))
    Epp::Client.open(host: "127.0.0.1", port: endpoints["ports"]["epp-registry"], client: id, ca_file: endpoints["ca_file"],
                     password: world.world.scenario.registrars[id]["password"])
  end
end
