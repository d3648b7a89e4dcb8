# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/named"
require_relative "../support/nsd"
require_relative "../support/bad_dns"
require "open3"
require "tmpdir"

# Getting zones from, and putting them on, real servers: BIND with every TSIG algorithm, signed by
# dnssec-signzone, and NSD, which takes zone files alone (Debian's packages); and servers that
# misbehave.
class CarryStandardsTest < Minitest::Test
  Dns = SteadyMove::Wire::Dns
  ZONE = <<~TEXT
    $TTL 600
    @ IN SOA ns1 hostmaster 7 7200 3600 1209600 900
    @ NS ns1
    ns1 A 192.0.2.53
    @ A 192.0.2.1
    www CNAME @
    @ MX 10 mail
    mail A 192.0.2.25
    _dmarc TXT "v=DMARC1; p=none"
    odd-name-7731 A 192.0.2.77
    sub NS ns.sub
    ns.sub A 192.0.2.99
    *.quay TXT "any"
  TEXT

  def teardown = @server&.stop

  def client(port, timeout: 10)
    Dns::Client.new(
      servers: {
        "ns1.tide.example" => "127.0.0.1:#{port}"
      },
      random: Random.new(1),
      timeout: timeout
    )
  end

  def sets(zone) = zone.content.to_h { |s| [[s.name.to_s, s.type], s.meanings] }

  def told(dns, name) = dns.query("ns1.tide.example", name, "A").answer.map { |r| r.rdata.to_s }

  # RFC 8945 §6, with BIND as the other side: the transfer and an update.
  def test_every_tsig_algorithm
    Dns::Tsig::ALGORITHMS.each do |algorithm|
      @server = Named.new("tide.example", zone: ZONE, algorithm: algorithm)
      key = Named::KEY.merge(algorithm: algorithm)
      dns = client(@server.port)
      assert_equal sets(zone(ZONE)),
                   sets(dns.transfer("ns1.tide.example", "tide.example", key: key)),
                   algorithm
      dns.update(
        "ns1.tide.example",
        "tide.example",
        key: key,
        add: zone("new 60 A 192.0.2.7\n").records
      )
      assert_equal ["192.0.2.7"], told(dns, "new.tide.example")
      wrong = key.merge(secret: "d3Jvbmctc2VjcmV0")
      assert_raises(SteadyMove::Wire::Error) do
        dns.transfer("ns1.tide.example", "tide.example", key: wrong)
      end
      @server.stop
    end
    @server = nil
    assert_raises(ArgumentError) { Dns::Tsig.signer(Named::KEY.merge(algorithm: "hmac-md5")) }
  end

  # RFC 4034 §4.1: the chain of NSEC records is walked to its end; RFC 5155's hashes can't be, and
  # that is said.
  def test_walking_what_dnssec_signzone_made
    @server = Named.new("tide.example", zone: ZONE, signed: :nsec)
    found = client(@server.port).walk("ns1.tide.example", "tide.example")
    assert_equal sets(zone(ZONE)), sets(found)
    @server.stop
    @server = Named.new("tide.example", zone: ZONE, signed: :nsec3)
    error =
      assert_raises(SteadyMove::Wire::Refused) do
        client(@server.port).walk("ns1.tide.example", "tide.example")
      end
    assert_match(/hashed/, error.message)
  end

  # Probing finds what has a usual name or is pointed at, and says that it can't know the rest.
  def test_probing_finds_what_has_a_usual_name
    @server = Named.new("tide.example", zone: ZONE)
    dns = client(@server.port)
    found = probed(dns)
    missed = sets(zone(ZONE)).keys - sets(found.zone).keys
    assert_equal %w[
                   *.quay.tide.example.
                   ns.sub.tide.example.
                   odd-name-7731.tide.example.
                   sub.tide.example.
                 ],
                 missed.map(&:first).sort
    refute found.wildcard
  end

  # Keys named after a month, a mail server's and a site's pinned certificates, what the sender
  # policy and the reports name, the third of three servers, a wildcard that answers from two
  # places, and a second one below it: all of it is asked of BIND.
  HIDDEN = <<~ZONE.freeze
    $TTL 300
    @ SOA ns1 h 1 2 3 4 300
    @ NS ns1
    @ MX 10 post-room
    @ TXT "v=spf1 a:senders.tide.example include:_policy7.tide.example -all"
    @ CAA 0 iodef "https://certs-desk.tide.example/told"
    ns1 A 192.0.2.1
    post-room A 192.0.2.2
    _25._tcp.post-room TLSA 3 1 1 #{"ab" * 32}
    senders A 192.0.2.3
    _policy7 TXT "v=spf1 ip4:192.0.2.0/24 -all"
    certs-desk A 192.0.2.4
    _8443._tcp.www TLSA 3 1 1 #{"cd" * 32}
    www A 192.0.2.5
    _443._tcp.www TLSA 3 1 1 #{"ef" * 32}
    202609._domainkey TXT "v=DKIM1; p=QUJD"
    sel2._domainkey TXT "v=DKIM1; p=QUJE"
    _sip._tcp SRV 1 1 5061 calls
    calls A 192.0.2.6
    app11 A 192.0.2.7
    app A 192.0.2.9
    mx1 A 192.0.2.8
    mx2 A 192.0.2.8
    mx3 A 192.0.2.8
    mx4 A 192.0.2.8
    * A 192.0.2.60
    * A 192.0.2.61
    *.shop A 192.0.2.70
    www.shop A 192.0.2.71
    own.shop A 192.0.2.72
  ZONE

  def test_probing_finds_what_administrators_have
    @server = Named.new("tide.example", zone: HIDDEN)
    found = probed(client(@server.port), more: %w[own.shop.tide.example])
    missed = sets(zone(HIDDEN)).keys - sets(found.zone).keys
    assert_equal %w[_8443._tcp.www.tide.example. app11.tide.example.], missed.map(&:first).sort
    assert_equal %w[shop.tide.example tide.example], found.wildcards.map(&:to_host).sort
    assert_empty sets(found.zone).to_a - sets(zone(HIDDEN)).to_a
  end

  def probed(dns, **more)
    labels = (1..).each
    Records::Probing.run(
      Records::Name.parse("tide.example"),
      today: Date.new(2026, 11, 30),
      nonce: -> { "nobody-#{labels.next}" },
      **more
    ) do |name, type|
      answer = dns.query("ns1.tide.example", name.to_s, type)
      [answer.rcode, answer.answer + answer.authority.select { |r| r.type == "NS" }]
    end
  end

  # What is wanted, as a file, served by NSD: every set is answered as it should be; kzonecheck
  # (Knot) agrees with the file.
  def test_a_host_that_takes_files_alone
    text = Records::ZoneWriter.write(zone(ZONE))
    @server = Nsd.new({ "tide.example" => text })
    servers = SteadyMove::Desk::Common::Zones.new(Struct.new(:dns).new(client(@server.port)))
    assert_empty servers.deviations(["ns1.tide.example"], zone(ZONE)).map(&:says)
    changed = zone(ZONE.sub("192.0.2.77", "192.0.2.78"))
    assert_equal ["odd-name-7731.tide.example"],
                 servers.deviations(["ns1.tide.example"], changed).map(&:name)
    Tempfile.create("zone") do |f|
      f.write(text) && f.flush
      said, status = Open3.capture2e("kzonecheck", "-o", "tide.example", f.path)
      assert_predicate status, :success?, said
    end
  end

  # RFC 4034 §5.4 and RFC 4509 §2.3: the standards' own key, from memory; the digests check
  # themselves.
  KEY =
    "dskey.example.com. 86400 IN DNSKEY 256 3 5 ( AQOeiiR0GOMYkDshWoSKz9Xz " \
      "fwJr1AYtsmx3TGkJaNXVbfi/ " \
      "2pHm822aJ5iI9BMzNXxeYCmZ DRD99WYwYqUSdjMmmAphXdvx egXd/M5+X7OrzKBaMbCVdFLU " \
      "Uh6DhweJBjEVv5f2wwjM9Xzc " \
      "nOf+EPbtG9DMBmADjFDc2w/r ljwvFw== )\n"
  DS = {
    1 => "60485 5 1 2BB183AF5F22588179A53B0A98631FAD1A292118",
    2 => "60485 5 2 D4B7D520E7BB5F0F67674A0CCEB1E3E0614B93C4F9E99B8383F6A1E4469DA50A"
  }.freeze

  def test_the_ds_of_the_standards_own_key
    record = Records::ZoneReader.read(KEY, origin: "example.com").records.first
    DS.each do |kind, text|
      assert_equal text, Records::Delegation.ds_record(record.name, record.rdata, kind: kind)
    end
  end

  # habit of a server => what is said; nothing of a zone that was cut is given.
  HABITS = {
    wrong_id: /does not answer/,
    silent: /does not answer/,
    refuses: /REFUSED/,
    cut: /cut the zone transfer short/,
    no_soa: /without an SOA/,
    garbage: /can't be read|closed the connection/
  }.freeze

  def test_servers_that_misbehave
    HABITS.each do |habit, says|
      @server = BadDns.new(habit)
      dns = client(@server.port, timeout: 0.2)
      error =
        assert_raises(SteadyMove::Wire::Error, habit) do
          if %i[wrong_id silent].include?(habit)
            dns.query("ns1.tide.example", "tide.example", "A")
          else
            dns.transfer("ns1.tide.example", "tide.example")
          end
        end
      assert_match says, error.message, habit
      @server.stop
    end
    @server = nil
  end

  # A truncated answer is asked for again over TCP; an alias that leads round in a circle ends.
  def test_truncation_and_circles
    @server = BadDns.new(:truncates)
    assert_equal ["192.0.2.9"], told(client(@server.port), "tide.example")
    @server.stop
    @server = BadDns.new(:circle)
    dns = client(@server.port)
    found = probed(dns)
    assert_operator found.asked, :<=, Records::Probing::MOST
  end
end
