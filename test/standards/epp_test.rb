# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/published"
require "prop_check"

# Source of every check here: the IETF's own schemas and RFC texts (5730, 5731), as a general
# package carries them.
class EppStandardsTest < Minitest::Test
  Epp = SteadyMove::Wire::Epp
  Commands = Epp::Commands

  COMMANDS = {
    "hello" => Commands.hello,
    "login" => Commands.login(client: "saltern-web", password: "high-water", id: "abc-1"),
    "logout" => Commands.logout(id: "abc-2"),
    "check" => Commands.check(names: %w[a.example b.example], id: "abc-3"),
    "info" => Commands.info(name: "a.example", id: "abc-4"),
    "info with code" => Commands.info(name: "a.example", id: "abc-5", auth_info: "<&\"é"),
    "contact update" =>
      Commands.contact_update(contact: "sh8013", id: "abc-11", email: "q@x.example"),
    "whole contact update" =>
      Commands.contact_update(
        contact: "sh8013",
        id: "abc-12",
        voice: "+44.1632960142",
        postal: {
          "name" => "Ada",
          "org" => "Ferries",
          "street" => "1 Quay",
          "city" => "Saltern",
          "country" => "GB"
        }
      ),
    "new code" => Commands.update(name: "a.example", id: "abc-13", auth_info: "aB<&3"),
    "contact info" => Commands.contact_info(contact: "sh8013", id: "abc-10"),
    "update" =>
      Commands.update(
        name: "a.example",
        id: "abc-6",
        add: {
          statuses: %w[clientHold]
        },
        rem: {
          name_servers: %w[ns.b.example]
        }
      ),
    "poll" => Commands.poll_request(id: "abc-7"),
    "ack" => Commands.poll_acknowledge(message_id: "12", id: "abc-8")
  }.merge(
    %w[request query approve reject cancel].to_h do |op|
      [
        "transfer #{op}",
        Commands.transfer(op: op, name: "a.example", id: "abc-9", auth_info: "x", years: 2)
      ]
    end
  )

  def test_every_command_is_valid
    COMMANDS.each { |what, xml| assert_empty Published.objections(xml), what }
  end

  def test_commands_stay_valid_under_random_input
    g = PropCheck::Generators
    PropCheck.forall(g.printable_ascii_string, g.positive_integer) do |text, number|
      xml =
        Commands.transfer(
          op: "request",
          name: "x#{number}.example",
          id: "key-#{number}",
          auth_info: text,
          years: (number % 9) + 1
        )
      assert_empty Published.objections(xml)
      assert_equal text, Practice::Epp::Request.parse(xml).auth
    end
  end

  # What the registry's side sends, under random valid data.
  def test_replies_stay_valid_under_random_data
    random = Random.new(5731)
    text = -> do
      Array
        .new(random.rand(1..40)) { random.rand(0x20..0x2fff) }
        .pack("U*")
        .gsub(/[^[:print:]]|[\u0080-\u009f]/, "x")
    end
    known = SteadyMove::Core::Names::Statuses::EPP_TO_RDAP.keys
    statuses = known.grep(/\A(client|server|pending|ok|inactive)/) - %w[pendingRestore]
    200.times do |i|
      now = random.rand(0..4_000_000_000)
      row = {
        name: "n#{i}.example",
        roid: "D#{i}-PRAC",
        statuses: statuses.sample(random.rand(1..6), random: random),
        name_servers: Array.new(random.rand(0..4)) { |k| "ns#{k}.n#{i}.example" },
        sponsor: "quay",
        registrant: ("holder-#{i}" if random.rand(2).zero?),
        created_at: now,
        expires_at: now + 9,
        auth_info: (text.call if random.rand(2).zero?)
      }
      holder = {
        id: "holder-#{i}",
        roid: "C#{i}-PRAC",
        name: text.call,
        org: text.call,
        street: text.call,
        city: text.call,
        country: "GB",
        voice: "+44.1632960#{100 + i}",
        email: "a@b.example",
        sponsor: "quay",
        created_at: now,
        updated_at: (now + 1 if random.rand(2).zero?)
      }
      [[:info, row], [:contact, holder]].each do |kind, data|
        xml =
          Practice::Epp::Replies.response(1000, key: "key-#{i}", server_key: "PW-#{i}") do |x|
            Practice::Epp::Replies.public_send(kind, x, data)
          end
        assert_empty Published.objections(xml), data.inspect
      end
    end
  end

  # RFC 5733 §3.1.2, its own examples.
  def test_the_contact_info_of_rfc_5733
    command =
      Published
        .examples(5733, "C")
        .find { |t| t.include?("<contact:info") && !t.include?("authInfo") } ||
        Published.examples(5733, "C").find { |t| t.include?("<contact:info") }
    assert_equal "sh8013", Practice::Epp::Request.parse(command).contact
    contact =
      Published
        .examples(5733, "S")
        .map { |t| Epp::Response.parse(t).data }
        .grep(Epp::ContactInfo)
        .first
    assert_equal [
                   "sh8013",
                   "John Doe",
                   "Example Inc.",
                   "123 Example Dr.\nSuite 100",
                   "Dulles",
                   "US",
                   "+1.7035555555",
                   "jdoe@example.com",
                   utc("1999-04-03T22:00:00Z"),
                   utc("1999-12-03T09:00:00Z")
                 ],
                 contact.to_a
  end

  # RFC 5733 §3.2.5 and RFC 5731 §3.2.5, their own examples: an address that changes, a code that is
  # set anew.
  def test_the_updates_of_rfc_5733_and_5731
    theirs = Published.examples(5733, "C").find { |t| t.include?("<contact:update") }
    ours =
      Commands.contact_update(
        contact: "sh8013",
        id: "x",
        email: "q@x.example",
        postal: {
          "name" => "n",
          "org" => "",
          "street" => "124 Example Dr.",
          "city" => "Dulles",
          "country" => "US"
        }
      )
    at = ->(xml, path) { Nokogiri.XML(xml).at_xpath(path, c: "urn:ietf:params:xml:ns:contact-1.0") }
    %w[
      //c:update/c:id
      //c:chg/c:postalInfo/@type
      //c:chg/c:postalInfo/c:addr/c:street
      //c:chg/c:postalInfo/c:addr/c:city
    ].each { |path| assert_equal at[theirs, path].text, at[ours, path].text, path }
    asked = Practice::Epp::Request.parse(ours)
    assert_equal %w[update sh8013 q@x.example], [asked.verb, asked.contact, asked.email]
    theirs =
      Practice::Epp::Request.parse(
        Published
          .examples(5731, "C")
          .find { |t| t.include?("<domain:chg>") && t.include?("authInfo") }
      )
    ours =
      Practice::Epp::Request.parse(
        Commands.update(name: "example.com", id: "x", auth_info: theirs.auth)
      )
    assert_equal [theirs.verb, theirs.name, theirs.auth], [ours.verb, ours.name, ours.auth]
    refute_nil theirs.auth
  end

  # RFC 5731's own examples: our builders say the same, our readers understand them.
  def canonical(xml)
    Nokogiri
      .XML(xml, &:noblanks)
      .canonicalize
      .gsub(/\s+/, " ")
      .gsub("domain:", "")
      .gsub(/ xmlns(:domain)?="[^"]*"/, "")
  end

  def test_the_transfer_commands_of_rfc_5731
    query, request = Published.examples(5731, "C").select { |t| t.include?("<transfer op=") }
    built =
      Commands.transfer(
        op: "request",
        name: "example.com",
        id: "ABC-12345",
        auth_info: "2fooBAR",
        years: 1
      )
    assert_equal canonical(request.sub(' roid="JD1234-REP"', "")), canonical(built)
    assert_equal canonical(query.sub(' roid="JD1234-REP"', "")),
                 canonical(
                   Commands.transfer(
                     op: "query",
                     name: "example.com",
                     id: "ABC-12345",
                     auth_info: "2fooBAR"
                   )
                 )
  end

  def test_the_responses_of_rfc_5731_are_understood
    responses = Published.examples(5731, "S").map { |t| Epp::Response.parse(t) }
    transfer = responses.map(&:data).grep(Epp::TransferInfo).first
    assert_equal [
                   "example.com",
                   "pending",
                   "ClientX",
                   utc("2000-06-06T22:00:00Z"),
                   "ClientY",
                   utc("2000-06-11T22:00:00Z"),
                   utc("2002-09-08T22:00:00Z")
                 ],
                 transfer.to_a
    info = responses.map(&:data).grep(Epp::DomainInfo).first
    assert_equal [
                   "example.com",
                   ["ok"],
                   %w[ns1.example.com ns1.example.net],
                   utc("2005-04-03T22:00:00Z"),
                   "2fooBAR"
                 ],
                 [info.name, info.statuses, info.name_servers, info.expires_at, info.auth_info]
    assert_equal(
      { "example.com" => true, "example.net" => false, "example.org" => true },
      responses.map(&:data).grep(Hash).first
    )
  end

  # RFC 5730 §2.4 and RFC 3915, their own examples; what is no greeting ends the conversation.
  def test_the_greeting_of_rfc_5730
    theirs = Published.examples(5730, "S").find { |t| t.include?("<greeting>") }
    greeting = Epp::Greeting.parse(theirs)
    assert_equal [
                   "Example EPP server epp.example.com",
                   %w[
                     urn:ietf:params:xml:ns:obj1
                     urn:ietf:params:xml:ns:obj2
                     urn:ietf:params:xml:ns:obj3
                   ],
                   %w[http://custom/obj1ext-1.0]
                 ],
                 greeting.to_a
    assert_raises(SteadyMove::Wire::Malformed) do
      Epp::Greeting.parse(theirs.sub(">1.0</version>", ">2.0</version>"))
    end
    response = Published.examples(5730, "S").find { |t| t.include?("<response>") }
    assert_raises(SteadyMove::Wire::Malformed) { Epp::Greeting.parse(response) }
    login =
      Nokogiri.XML(
        Commands.login(
          client: "a-b",
          password: "secret",
          id: "x",
          objects: [Epp::Xml::DOMAIN],
          extensions: []
        )
      )
    assert_equal [1, 0],
                 [
                   login.xpath("//*[local-name()='objURI']").size,
                   login.xpath("//*[local-name()='extURI']").size
                 ]
  end

  def test_grace_statuses_of_rfc_3915
    info =
      Published
        .examples(3915, "S")
        .map { |t| Epp::Response.parse(t).data }
        .grep(Epp::DomainInfo)
        .first
    assert_includes info.statuses & %w[addPeriod pendingDelete redemptionPeriod],
                    info.statuses.last,
                    info.statuses
  end

  # RFC 5730 §2.6: reasons beside the message; objects of other kinds are told apart by their
  # namespace (RFC 5732).
  def test_reasons_and_kinds_of_objects
    theirs = Published.examples(5730, "S").find { |t| t.include?("<extValue>") }
    response = Epp::Response.parse(theirs)
    refute_empty response.reasons
    assert_includes response.says, response.reasons.first
    host =
      Published
        .examples(5731, "S")
        .find { |t| t.include?("domain:infData") }
        .gsub("urn:ietf:params:xml:ns:domain-1.0", "urn:ietf:params:xml:ns:host-1.0")
    assert_nil Epp::Response.parse(host).data
    assert_equal utc("2000-06-06T22:00:00Z"),
                 Epp::Xml.time("2000-06-06T22:00:00.0"),
                 "no zone is UTC"
    assert_raises(SteadyMove::Wire::Malformed) { Epp::Xml.time("2000-02-30T22:00:00.0Z") }
  end

  # Every message of the server in a whole conversation, and the exchange of RFC 5731 §3.2.4: 1001,
  # pending, poll, approve.
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
    Epp::Framing.define_singleton_method(:read) do |io|
      original.call(io).tap { |xml| heard << xml if xml }
    end
    yield
  ensure
    Epp::Framing.define_singleton_method(:read, original)
  end

  def converse(world)
    losing, gaining = %w[tarnbeck orlop].map { |id| registry_client(world, id) }
    name = "isles-timetable.example"
    code = losing.request(Commands.info(name: name, id: "ask-1")).data.auth_info
    assert_equal "names@saltern-office.example",
                 losing
                   .request(Commands.contact_info(contact: "saltern-1", id: "ask-10"))
                   .data
                   .email
    losing.request(Commands.check(names: [name, "free.example"], id: "ask-2"))
    wrong =
      assert_raises(SteadyMove::Wire::Refused) do
        gaining.request(Commands.info(name: name, id: "ask-3", auth_info: "wrong"))
      end
    assert_equal 2202, wrong.code
    reply =
      gaining.request(
        Commands.transfer(op: "request", name: name, id: "ask-4", auth_info: code, years: 1)
      )
    assert_equal [1001, "pending", 5 * 86_400],
                 [reply.code, reply.data.status, reply.data.act_at - reply.data.requested_at]
    queue = losing.request(Commands.poll_request(id: "ask-5"))
    assert_equal 1301, queue.code
    losing.request(Commands.poll_acknowledge(message_id: queue.queue.id, id: "ask-6"))
    assert_equal 1300, losing.request(Commands.poll_request(id: "ask-7")).code
    assert_equal "clientApproved",
                 losing
                   .request(Commands.transfer(op: "approve", name: name, id: "ask-8"))
                   .data
                   .status
    moved = gaining.request(Commands.info(name: name, id: "ask-9")).data
    assert_equal ["orlop", Core::Expiry.add_years(utc("2028-02-18T08:00:00Z"), 1)],
                 [moved.sponsor, moved.expires_at]
    [losing, gaining].each(&:close)
  end

  def registry_client(world, id)
    endpoints = JSON.parse(File.read(File.join(world.folder, "world", "endpoints.json")))
    Epp::Client.open(
      host: "127.0.0.1",
      port: endpoints["ports"]["epp-registry"],
      client: id,
      ca_file: endpoints["ca_file"],
      password: world.world.scenario.registrars[id]["password"]
    )
  end
end
