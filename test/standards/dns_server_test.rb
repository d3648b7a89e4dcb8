# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/named"
require "open3"

# Our DNS client against BIND's named, and the practice name servers against BIND's dig (Debian's
# packages).
class DnsServerTest < Minitest::Test
  KEY = Named::KEY
  ZONE = <<~TEXT
    $TTL 600
    @ IN SOA ns1 hostmaster 7 7200 3600 1209600 900
    @ NS ns1
    ns1 A 192.0.2.53
    www A 192.0.2.1
    www AAAA 2001:db8::1
    @ MX 10 Mail
    txt TXT "a;b" "c\\"d" "\\255"
    h HTTPS 1 . alpn=h2
    u TYPE65280 \\# 2 ABCD
    sub NS ns.sub
    sub NS elsewhere.test.
    sub DS 12345 8 2 0123456789ABCDEF0123456789ABCDEF0123456789ABCDEF0123456789ABCDEF
    ns.sub A 192.0.2.99
    l LOC 60 9 0.000 N 24 39 0.000 E 10.00m
    i URI 10 1 "https://x.test/"
    c CERT PKIX 1 RSASHA256 AQMFitGgYt8=
    a APL 1:192.0.2.0/24 !2:2001:db8::/32
    n NAPTR 1 1 "u" "E2U+sip" "" .
    e EUI48 00-00-5e-00-53-2a
    k IPSECKEY 10 3 2 gw AQNRU3mG7TVTO2BkR47usntb102uFJtugbo6BSGvgqt4AQ==
  TEXT

  def teardown = @named&.stop

  def client(port)
    SteadyMove::Wire::Dns::Client.new(
      servers: {
        "ns1.tide.example" => "127.0.0.1:#{port}"
      },
      random: Random.new(1),
      timeout: 10
    )
  end

  def test_named_hands_its_zone_over_and_takes_updates
    dns = client(start_named)
    zone = dns.transfer("ns1.tide.example", "tide.example", key: KEY)
    assert_equal zone(ZONE).records.map(&:to_s).sort, zone.records.map(&:to_s).sort
    assert_raises(SteadyMove::Wire::Refused) { dns.transfer("ns1.tide.example", "tide.example") }

    added = zone("new 60 A 192.0.2.7\nwww 60 A 192.0.2.8\n").records
    dns.update(
      "ns1.tide.example",
      "tide.example",
      key: KEY,
      remove: [[Records::Name.parse("www.tide.example."), "A"]],
      add: added
    )
    answer = dns.query("ns1.tide.example", "www.tide.example", "A")
    assert_equal [true, ["192.0.2.8"]],
                 [answer.authoritative, answer.answer.map { |r| r.rdata.to_s }]
    assert_equal "NXDOMAIN", dns.query("ns1.tide.example", "none.tide.example", "A").rcode
  end

  # A delegated subzone is a referral with its glue (RFC 1034 §4.3.2), as named gives it; what
  # differs is found.
  def test_a_delegated_subzone_is_compared_as_a_referral
    outside = Struct.new(:dns).new(client(start_named))
    zones = SteadyMove::Desk::Common::Zones.new(outside)
    assert_empty zones.deviations(["ns1.tide.example"], zone(ZONE)).map(&:says)
    changed =
      ZONE
        .sub("192.0.2.99", "192.0.2.98")
        .sub("NS elsewhere.test.", "NS nowhere.test.")
        .sub("12345 8", "12346 8")
    assert_equal [%w[sub.tide.example DS], %w[sub.tide.example NS]],
                 zones
                   .deviations(["ns1.tide.example"], zone(changed))
                   .map { |d| [d.name, d.type] }
                   .sort
    glue = zones.deviations(["ns1.tide.example"], zone(ZONE.sub("192.0.2.99", "192.0.2.98")))
    assert_equal([%w[ns.sub.tide.example A]], glue.map { |d| [d.name, d.type] })
  end

  # question => what dig must show
  DUG = {
    %w[www.saltern-isles.example A] => [
      "status: NOERROR",
      /flags: qr aa/,
      /CNAME\s+saltern-isles\.example\./,
      /A\s+192\.0\.2\.10/
    ],
    %w[any.quay.saltern-isles.example A] => [
      /any\.quay\.saltern-isles\.example\.\s+900\s+IN\s+A\s+192\.0\.2\.12/
    ],
    %w[none.saltern-isles.example A] => ["status: NXDOMAIN", /SOA\s+ns1\.tarnbeck-dns\.example\./],
    %w[saltern-isles.example SRV] => ["status: NOERROR", "ANSWER: 0"],
    %w[elsewhere.example A] => ["status: REFUSED"]
  }.freeze

  def test_dig_understands_the_practice_name_servers
    world = BenchWorld.new
    ports = JSON.parse(File.read(File.join(world.folder, "world", "endpoints.json")))["ports"]
    DUG.each do |question, expected|
      %w[+notcp +tcp].each do |way|
        said = dig(ports["dns-tarnbeck-dns"], *question, way)
        expected.each { |e| assert_match e, said, question.join(" ") }
      end
    end
    referral = dig(ports["dns-registry"], "saltern-isles.example", "NS", "+norecurse")
    assert_match(
      /AUTHORITY SECTION:\n(saltern-isles\.example\.\s+86400\s+IN\s+NS\s+ns\d\.tarnbeck-dns\.example\.\n){2}/,
      referral
    )
    refused = dig(ports["dns-tarnbeck-dns"], "saltern-isles.example", "AXFR")
    assert_match(/Transfer failed/, refused)
    whole =
      dig(
        ports["dns-tarnbeck-dns"],
        "saltern-isles.example",
        "AXFR",
        "-y",
        "hmac-sha256:saltern-tarnbeck:dGFybmJlY2stc2VjcmV0LTAwMDE="
      )
    assert_match(/XFR size: 21 records/, whole)
  ensure
    world&.close
  end

  private

  def dig(port, *words) = Open3.capture2e("dig", "@127.0.0.1", "-p", port.to_s, *words).first

  def start_named = (@named = Named.new("tide.example", zone: ZONE)).port
end
