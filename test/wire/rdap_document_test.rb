# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Domain objects of the public record (RFC 9083 §5.3) as others write them.
class RdapDocumentTest < Minitest::Test
  Document = SteadyMove::Wire::Rdap::Document
  BASE = { "objectClassName" => "domain", "ldhName" => "Tide.Example." }.freeze

  def read(**more) = Document.domain(BASE.merge(more.transform_keys(&:to_s)))

  # members of an object => member of the Domain, its value
  CARD = ->(*rows) { { roles: ["registrant"], vcardArray: ["vcard", rows] } }

  READ = [
    [{}, :name, "tide.example"],
    [{ ldhName: nil, unicodeName: "FÄHRE.example" }, :name, "fähre.example"],
    [
      { status: ["Client Transfer Prohibited", "active", "locked"] },
      :statuses,
      %w[clientTransferProhibited ok locked]
    ],
    [
      { events: [{ eventAction: "registration", eventDate: "2020-01-02T03:04:05Z" }] },
      :created_at,
      Time.utc(2020, 1, 2, 3, 4, 5)
    ],
    [
      { events: [{ eventAction: "registration", eventDate: "2020-01-02T05:04:05.678+02:00" }] },
      :created_at,
      Time.utc(2020, 1, 2, 3, 4, 5)
    ],
    [
      {
        events: [
          { eventAction: "transfer", eventDate: "2021-01-01T00:00:00Z" },
          { eventAction: "transfer", eventDate: "2020-01-01T00:00:00Z" }
        ]
      },
      :transferred_at,
      Time.utc(2021)
    ],
    [
      {
        events: [
          { eventAction: "registration", eventDate: "2010-01-01T00:00:00Z" },
          { eventAction: "reregistration", eventDate: "2024-01-01T00:00:00Z" }
        ]
      },
      :created_at,
      Time.utc(2024)
    ],
    [
      {
        events: [
          { eventAction: "expiration", eventDate: "2030-01-01T00:00:00Z" },
          { eventAction: "expiration", eventDate: "2029-01-01T00:00:00Z" }
        ]
      },
      :expires_at,
      Time.utc(2029)
    ],
    [
      { events: [{ eventAction: "last update of RDAP database", eventDate: "now" }] },
      :created_at,
      nil
    ],
    [{ nameservers: [{ ldhName: "NS1.Host.Example." }] }, :name_servers, ["ns1.host.example"]],
    # what is absent says nothing; keys show what they are (rules of the job §2)
    [{ secureDNS: { delegationSigned: true, dsData: [{ keyTag: 1 }] } }, :signed, true],
    [{ secureDNS: {} }, :signed, nil],
    [{ secureDNS: { delegationSigned: false } }, :signed, false],
    [{ secureDNS: { delegationSigned: false, dsData: [{ keyTag: 1 }] } }, :signed, true],
    [{ secureDNS: { keyData: [{ flags: 257 }] } }, :signed, true],
    [{ status: nil }, :statuses, nil],
    [{ status: [] }, :statuses, nil],
    [
      { nameservers: [{ unicodeName: "ns1.Möwe.example" }] },
      :name_servers,
      ["ns1.xn--mwe-sna.example"]
    ],
    [{ nameservers: nil }, :name_servers, nil],
    [
      {
        entities: [
          { roles: ["registrar"], publicIds: [{ type: "IANA Registrar ID", identifier: "0292" }] }
        ]
      },
      :registrar_id,
      "0292"
    ],
    [
      { entities: [{ roles: ["registrar"], publicIds: [{ type: "other", identifier: "1" }] }] },
      :registrar_id,
      nil
    ],
    [
      { entities: [CARD.call(["email", {}, "text", "REDACTED FOR PRIVACY"])] },
      :registrant_email,
      nil
    ],
    [
      { entities: [CARD.call(["email", {}, "text", "https://reg.test/form"])] },
      :registrant_email,
      nil
    ],
    [
      { entities: [CARD.call(["email", {}, "uri", "mailto:a@b.example?subject=x"])] },
      :registrant_email,
      "a@b.example"
    ],
    [
      {
        entities: [
          CARD.call(
            ["email", { pref: "2" }, "text", "b@b.example"],
            ["email", { pref: "1" }, "text", "a@b.example"]
          )
        ]
      },
      :registrant_email,
      "a@b.example"
    ],
    [
      {
        entities: [
          CARD.call(["email", {}, "text", "none"]),
          CARD.call(["email", {}, "text", "c@b.example"])
        ]
      },
      :registrant_email,
      "c@b.example"
    ],
    [
      {
        entities: [
          { roles: ["registrar"], entities: [CARD.call(["email", {}, "text", "d@b.example"])] }
        ]
      },
      :registrant_email,
      "d@b.example"
    ],
    [
      { redacted: [{ name: { description: "Registrant Email" }, method: "removal" }] },
      :redacted,
      ["Registrant Email"]
    ],
    [
      {
        entities: [
          { roles: ["registrar"], vcardArray: ["vcard", [["fn", {}, "text", "Quay Ltd"]]] }
        ]
      },
      :registrar,
      "Quay Ltd"
    ],
    [{ entities: [{ roles: ["registrar"], handle: "1234" }] }, :registrar, "1234"],
    [
      {
        entities: [
          { roles: ["registrant"], vcardArray: ["vcard", [["email", {}, "text", "a@b.example"]]] }
        ]
      },
      :registrant_email,
      "a@b.example"
    ],
    [{ entities: [{ roles: ["registrant"] }] }, :registrant_email, nil]
  ].freeze

  def deep(value)
    case value
    when Hash
      value.to_h { |k, v| [k.to_s, deep(v)] }
    when Array
      value.map { |v| deep(v) }
    else
      value
    end
  end

  def test_what_is_read
    READ.each do |more, member, expected|
      found = Document.domain(BASE.merge(deep(more)).compact)[member]
      expected.nil? ? assert_nil(found, more) : assert_equal(expected, found, more)
    end
  end

  WHOLE = {
    "status" => ["client transfer prohibited"],
    "events" => [
      { "eventAction" => "registration", "eventDate" => "2020-01-01T00:00:00Z" },
      { "eventAction" => "expiration", "eventDate" => "2028-01-01T00:00:00Z" },
      { "eventAction" => "transfer", "eventDate" => "2027-02-20T00:00:00Z" }
    ],
    "entities" => [
      { "roles" => ["registrar"], "handle" => "Quay Ltd" },
      {
        "roles" => ["registrant"],
        "vcardArray" => ["vcard", [["email", {}, "text", "a@b.example"]]]
      }
    ],
    "nameservers" => [{ "ldhName" => "ns1.x.example" }],
    "secureDNS" => {
      "delegationSigned" => false
    },
    "redacted" => [{ "name" => { "description" => "Registrant Email" } }]
  }.freeze
  MEMBERS = %i[
    statuses
    created_at
    expires_at
    transferred_at
    registrar
    registrant_email
    name_servers
    signed
  ].freeze

  # One odd member of a whole record => what is not known then, all else is; a part of what is told.
  ODD = [
    [{ status: nil }, %i[statuses], "status"],
    [{ status: "ok" }, %i[statuses], "status"],
    [{ status: {} }, %i[statuses], "status"],
    [{ events: nil }, %i[created_at expires_at transferred_at], "events"],
    [{ events: "none" }, %i[created_at expires_at transferred_at], "events"],
    [{ entities: nil }, %i[registrar registrant_email], "entities"],
    [{ entities: 7 }, %i[registrar registrant_email], "entities"],
    [{ nameservers: nil }, %i[name_servers], "nameservers"],
    [{ nameservers: [{ ldhName: "ns1.x.example" }, {}] }, %i[name_servers], "nameservers[1]"],
    [{ nameservers: [nil] }, %i[name_servers], "nameservers[0]"],
    [{ nameservers: [{ ldhName: " " }] }, %i[name_servers], "nameservers[0]"],
    [{ secureDNS: nil }, %i[signed], "secureDNS"],
    [{ secureDNS: [] }, %i[signed], "secureDNS"],
    [{ secureDNS: { delegationSigned: "false" } }, %i[signed], "delegationSigned"],
    [{ secureDNS: { delegationSigned: false, dsData: nil } }, %i[signed], "dsData"],
    [{ redacted: nil }, [], "redacted"],
    [{ redacted: "no" }, [], "redacted"],
    [{ redacted: [{ name: "Registrant Email" }] }, [], nil],
    [{ ldhName: "", unicodeName: "tide.example" }, [], nil],
    [{ ldhName: nil, unicodeName: "tide.example" }, [], nil],
    [{ objectClassName: "DOMAIN" }, [], nil]
  ].freeze

  # An odd event among good ones => what is not known.
  ODD_EVENTS = {
    { eventAction: "transfer" } => %i[transferred_at],
    { eventAction: "transfer", eventDate: nil } => %i[transferred_at],
    { eventAction: "expiration", eventDate: "1 May" } => %i[expires_at],
    { eventAction: "registration", eventDate: "2027-02-30T00:00:00Z" } => %i[created_at],
    { eventAction: "TRANSFER", eventDate: "2027-02-21T00:00:00Z" } => [],
    { eventAction: "Last_Changed", eventDate: "2027-02-21T00:00:00Z" } => [],
    { eventAction: nil, eventDate: "2027-02-21T00:00:00Z" } => [],
    { eventDate: "2027-02-21T00:00:00Z" } => [],
    7 => [],
    nil => []
  }.freeze

  def test_one_odd_member_is_not_known_and_the_rest_is
    ODD.each do |more, lost, says|
      found = Document.domain(BASE.merge(WHOLE).merge(deep(more)))
      assert_equal MEMBERS - lost, MEMBERS.reject { |m| found[m].nil? }, more
      assert_equal ["tide.example", says.nil?], [found.name, found.odd.empty?], more
      assert_includes found.odd.join, says if says
    end
    ODD_EVENTS.each do |event, lost|
      events = WHOLE["events"] + [deep(event)]
      found = Document.domain(BASE.merge(WHOLE).merge("events" => events))
      assert_equal MEMBERS - lost, MEMBERS.reject { |m| found[m].nil? }, event
    end
  end

  # A status that nobody understands is never “no lock”.
  def test_no_odd_status_is_no_lock
    [["ok", 7], ["ok", nil], [{}], ["active", ["x"]]].each do |list|
      assert_predicate read(status: list).lock, :unknown?, list
    end
    assert_predicate read(status: ["client transfer prohibited", 7]).lock, :yes?
  end

  # Whatever JSON stands beside the name: a Domain.
  def test_random_json_never_breaks_it
    random = Random.new(9083)
    value =
      lambda do |depth|
        case random.rand(depth > 2 ? 5 : 7)
        when 0
          nil
        when 1
          random.rand(1000)
        when 2
          [true, false].sample(random: random)
        when 3
          %w[registration 2020-01-01T00:00:00Z x registrar].sample(random: random)
        when 4
          ""
        when 5
          Array.new(random.rand(0..3)) { value.call(depth + 1) }
        else
          Array
            .new(random.rand(0..3)) do
              %w[eventAction eventDate ldhName roles vcardArray handle delegationSigned].sample(
                random: random
              )
            end
            .to_h { |k| [k, value.call(depth + 1)] }
        end
      end
    members = %w[status events nameservers secureDNS entities handle]
    2000.times do
      object = BASE.merge(members.sample(2, random: random).to_h { |m| [m, value.call(0)] }).compact
      assert_kind_of SteadyMove::Wire::Rdap::Domain, Document.domain(object)
    end
  end

  # What the practice world's service says of every name, we read to what its registry holds.
  def test_the_practice_worlds_own_record
    world = BenchWorld.new(names_at: nil)
    rdap = Practice::Rdap.new(world.world)
    names = world.world.registry.names
    assert_operator names.size, :>=, 47
    names.each do |name|
      status, headers, body = rdap.call("PATH_INFO" => "/rdap/domain/#{name}")
      row = world.world.registry.find(name)
      read = Document.domain(JSON.parse(body.first))
      assert_equal [200, "application/rdap+json"], [status, headers["content-type"]]
      assert_equal [
                     name,
                     row[:statuses],
                     row[:name_servers],
                     row[:expires_at],
                     row[:created_at],
                     row[:transferred_at],
                     row[:ds].any?,
                     world.world.registry.shown_email(row, :registrant)
                   ],
                   [
                     read.name,
                     read.statuses,
                     read.name_servers,
                     read.expires_at.to_i,
                     read.created_at.to_i,
                     read.transferred_at&.to_i,
                     read.signed,
                     read.registrant_email
                   ]
    end
  ensure
    world&.close
  end
end
