# frozen_string_literal: true

# Every reader of what comes from outside, as one table: text in, its own errors named. Used by
# bin/fuzz and bin/bench.
module Readers
  Wire = SteadyMove::Wire
  Core = SteadyMove::Core
  Desk = SteadyMove::Desk

  # read: takes octets; errors: those that it may raise; seeds: good input to change.
  Reader = Struct.new(:name, :errors, :seeds, :read, keyword_init: true)

  HELD =
    %w[tide.example kelp.example bücher.example].map { |n| Core::Names::DomainName.parse(n) }.freeze
  MAIL = Dir[File.expand_path("../data/mail/**/*.eml", __dir__)].freeze

  module_function

  def text(octets) = octets.dup.force_encoding(Encoding::UTF_8).scrub("?")

  def all = @all ||= [mail, *lists, *records, *wires, *words].freeze

  def mail
    Reader.new(
      name: "mail",
      errors: [Wire::Malformed],
      seeds: MAIL.first(60).map { |f| File.binread(f) },
      read:
        lambda do |raw|
          message = Wire::Mail::Eml.read(raw)
          Core::Post::Reader.read(
            message,
            held: HELD,
            known: ["tarnbeck.example"],
            ids: ["mx.tide.example"]
          )
        end
    )
  end

  def lists
    [
      Reader.new(
        name: "code list",
        errors: [],
        seeds: ["tide.example,Ab3d-Ef9k\nkelp.example;\"x\"\"y\"\n"],
        read: ->(t) { Core::Codes::List.read(text(t)) }
      ),
      Reader.new(
        name: "table",
        errors: [],
        seeds: ["Domain;Expiry;Price;Locked\ntide.example;2027-01-01;9,90 EUR;yes\n"],
        read: ->(t) { import(Core::Imports::Table.new(text(t))) }
      ),
      Reader.new(
        name: "names typed",
        errors: [],
        seeds: ["tide.example, kelp.example # two\nbücher.example\n"],
        read: ->(t) { import(Core::Imports::Table.new(text(t), as: "names")) }
      )
    ]
  end

  def import(table)
    Core::Imports::Preview
      .new(table, Core::Imports::Choices.none, known: ->(_) { false }) do |typed|
        [Core::Names::DomainName.parse(typed), nil]
      rescue Core::Names::DomainName::Invalid => e
        [nil, e.phrase]
      end
      .counts
  end

  def records
    zone =
      "$TTL 1h\n@ SOA ns hostmaster ( 1 2h 1h 2w 1h )\n  NS ns\nns A 192.0.2.1\nwww TXT \"a b\" " \
        "c\n" \
        "_x._tcp SRV 1 2 3 www\n@ CAA 0 issue \"ca.example\"\nsvc HTTPS 1 . alpn=h2 " \
        "ipv4hint=192.0.2.1\n"
    [
      Reader.new(
        name: "zone file",
        errors: [Core::Records::ZoneError],
        seeds: [zone],
        read: ->(t) { Core::Records::ZoneReader.read(text(t), origin: "tide.example") }
      ),
      Reader.new(
        name: "table of records",
        errors: [Core::Records::ZoneError],
        seeds: [
          "Name\tType\tValue\tTTL\n@\tMX\t10 mail.tide.example\t1 hour\nwww\tA\t192.0.2.1\tAuto\n",
          "3600 | A | tide.example | 192.0.2.1\n300 | TXT | _dmarc | v=DMARC1; p=none\n"
        ],
        read: ->(t) { Core::Records::TableReader.read(t, origin: "tide.example") }
      ),
      Reader.new(
        name: "instant",
        errors: [ArgumentError],
        seeds: ["2027-03-01T08:00:00Z"],
        read: ->(t) { Core::Instant.parse(text(t)) }
      )
    ]
  end

  def wires
    rdap =
      '{"objectClassName":"domain","ldhName":"tide.example","status":["client transfer ' \
        'prohibited"],' \
        '"events":[{"eventAction":"expiration","eventDate":"2027-03-01T08:00:00Z"}],"nameservers":' \
        '[{"objectClassName":"nameserver","ldhName":"ns1.tide.example"}],"secureDNS":{"delegation' \
        'Signed":false}}'
    greeting =
      '<epp xmlns="urn:ietf:params:xml:ns:epp-1.0"><response><result ' \
        'code="1000"><msg>Yes</msg></result>' \
        "<trID><clTRID>a</clTRID><svTRID>b</svTRID></trID></response></epp>"
    [
      Reader.new(
        name: "public record",
        errors: [Wire::Malformed],
        seeds: [rdap],
        read:
          lambda do |t|
            Wire::Rdap::Document.domain(
              JSON.parse(text(t), max_nesting: 40),
              url: "http://rdap.example/"
            )
          rescue JSON::ParserError
            raise Wire::Malformed, "no JSON"
          end
      ),
      Reader.new(
        name: "EPP response",
        errors: [Wire::Malformed, Wire::Refused],
        seeds: [greeting],
        read: ->(t) { Wire::Epp::Response.parse(text(t)) }
      ),
      Reader.new(
        name: "DNS message",
        errors: [Wire::Malformed],
        seeds: [dns],
        read: ->(t) { dns_message(t) }
      )
    ]
  end

  def dns
    message = Dnsruby::Message.new("tide.example", "TXT")
    message.add_answer(Dnsruby::RR.create("tide.example. 60 IN TXT \"v=spf1 -all\""))
    message.encode
  end

  def dns_message(octets)
    message = Wire::Dns::Codec.message(octets)
    [message.answer, message.authority, message.additional].each do |rrs|
      rrs.each { |rr| Wire::Dns::Codec.decode(rr) }
    end
  end

  def words
    [
      Reader.new(
        name: "configuration",
        errors: [Desk::Refused],
        seeds: ["port: 7460\ndns:\n  servers: {}\n"],
        read: ->(t) { configuration(text(t)) }
      )
    ]
  end

  def configuration(text)
    map = YAML.safe_load(text) || {}
    raise Desk::Refused.new(:unusable, :config_no_map, file: "x") unless map.is_a?(Hash)
  rescue Psych::Exception
    raise Desk::Refused.new(:unusable, :config_no_map, file: "x")
  end
end
