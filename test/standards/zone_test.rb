# frozen_string_literal: true

require_relative "../test_helper"
require "open3"
require "tmpdir"
require "ipaddr"

# The zone reader and writer against BIND's named-compilezone and the comparison against
# ldns-compare-zones (Debian's packages).
class ZoneStandardsTest < Minitest::Test
  SWITCHES = %w[
    -q
    -i
    none
    -k
    ignore
    -r
    ignore
    -m
    ignore
    -n
    ignore
    -S
    ignore
    -T
    ignore
    -s
    full
  ].freeze
  # BIND breaks long hexadecimal and base64 data with a blank.
  SPLIT = %r{(?<=[A-Za-z0-9+/]{40}) (?=[A-Za-z0-9+/=]+\z)}
  HEAD = "$TTL 3600\n@ IN SOA ns1 hostmaster 7 7200 3600 1209600 900\n@ NS ns1.other.test.\n"

  # Each a zone body that stresses one part of the format (RFC 1035 §5.1, 2308 §4, 3597 §5, 9460).
  BODIES = [
    "www A 192.0.2.1\n  AAAA 2001:DB8:0:0::1\n",
    "$ORIGIN deep.er\nx A 192.0.2.1\n$ORIGIN up\ny A 192.0.2.2\n",
    "a 1h30m A 192.0.2.1\nb IN 2d A 192.0.2.1\nc 300 IN A 192.0.2.1\nd IN A 192.0.2.1\n",
    "a TXT \"one two\" three \"\"\nb TXT \"q\\\"uote\" \"semi;colon\" back\\\\slash\nc TXT \"\\000\\007\\127\\255\"\n",
    "a MX ( 10 ; preference\n mail ) ; done\n",
    "*.wild A 192.0.2.1\n*.a.b CNAME www\n",
    "a\\.b A 192.0.2.1\nc\\064d A 192.0.2.1\n\\*x A 192.0.2.1\n",
    "_sip._tcp SRV 1 2 5060 Host.Other.Test.\n",
    "a CAA 0 issue \"ca.test; policy=x\"\nb CAA 128 iodef " \
      "\"mailto:x@y.test\"\n",
    "_443._tcp TLSA 3 1 1 0123456789ABCDEF0123456789abcdef0123456789ABCDEF0123456789abcdef\n",
    "a SSHFP 4 2 ( 0123456789abcdef 0123456789abcdef\n 0123456789abcdef 0123456789abcdef )\n",
    "a NAPTR 100 10 \"u\" \"E2U+sip\" \"!^.*$!sip:x@y.test!\" .\nb HINFO PC \"Some OS\"\nc RP x.y z\n",
    "d DNAME other.test.\np PTR ptr.test.\n",
    "s DS 12345 13 2 ( 0123456789ABCDEF0123456789ABCDEF\n " \
      "0123456789ABCDEF0123456789ABCDEF )\n",
    "u TYPE65280 \\# 4 DEADBEEF\nv TYPE1 \\# 4 C0000201\nw TYPE65281 \\# 0\n",
    "k DNSKEY 257 3 13 mdsswUyr3DPW132mOi8V9xESWE8jTo0dxCjjnopKl+GqJxpVXckHAeF+KkxLbxILfDLUT0rAK9iUzy1L53eKGQ==\n",
    "h HTTPS 1 . alpn=h2,h3 port=8443 ipv4hint=192.0.2.1,192.0.2.2 ipv6hint=2001:db8::1\ni HTTPS " \
      "0 other.test.\nj " \
      "SVCB 2 svc key65400=abc no-default-alpn alpn=h2 mandatory=alpn\n",
    "a CLASS1 A 192.0.2.1\nb 60 CLASS1 TXT x\n",
    "a a 192.0.2.1\nb Txt X\nC A 192.0.2.9\n",
    "a A 192.0.2.2\na A 192.0.2.1\na A 192.0.2.2\n",
    "a 60 A 192.0.2.2\na 90 A 192.0.2.1\n"
  ].freeze

  def setup = @folder = Dir.mktmpdir
  def teardown = FileUtils.rm_rf(@folder)

  def file(name, text) = File.join(@folder, name).tap { |f| File.binwrite(f, text) }

  # BIND's full form: one record a line.
  def compiled(text, origin = "tide.example")
    out = File.join(@folder, "out")
    said, status =
      Open3.capture2e("named-compilezone", *SWITCHES, "-o", out, origin, file("in", text))
    assert_predicate status, :success?, "#{said}\n#{text}"
    File
      .binread(out)
      .lines
      .map { |l| l.split(/\s+/, 5).map(&:strip).join(" ").gsub(SPLIT, "") }
      .sort
  end

  # All bodies in one zone, each under a name of its own.
  ALL = HEAD + BODIES.each_with_index.map { |body, i| "$ORIGIN b#{i}.tide.example.\n#{body}" }.join

  def ours(text) = zone(text).records.map { |r| r.to_s.b.strip }.sort

  def test_every_body_reads_as_named_compilezone_reads_it
    compiled(ALL).zip(ours(ALL)) { |theirs, mine| assert_equal theirs, mine }
    assert_equal compiled(ALL).size, ours(ALL).size
  end

  def test_what_is_written_reads_the_same_for_named_compilezone
    assert_equal compiled(ALL), compiled(Records::ZoneWriter.write(zone(ALL)))
  end

  # What BIND refuses is refused here, too.
  REFUSED = [
    "a A 192.0.2\n",
    "a AAAA x\n",
    "a MX 70000 m\n",
    "a TXT #{"x" * 256}\n",
    "a TYPE65280 \\# 3 AABB\n",
    "#{"a" * 64} A 192.0.2.1\n",
    "a HTTPS 1 . port=70000\n",
    "*.w NS ns.test.\n"
  ].freeze

  def test_what_named_compilezone_refuses
    REFUSED.each do |body|
      _, status =
        Open3.capture2e(
          "named-compilezone",
          *SWITCHES,
          "-o",
          File.join(@folder, "out"),
          "tide.example",
          file("in", HEAD + body)
        )
      refute_predicate status, :success?, body
      assert_raises(Records::ZoneError, body) { zone(HEAD + body) }
    end
  end

  # Pairs of zones that are the same or not, for people and for ldns-compare-zones alike.
  def test_the_comparison_agrees_with_ldns_compare_zones
    random = Random.new(5)
    12.times do
      lines =
        Array.new(8) do |i|
          "h#{i} #{[60, 300].sample(random: random)} IN A 192.0.2.#{random.rand(4)}"
        end
      changed =
        lines
          .map { |l| random.rand < 0.2 ? l.sub(/\d+\z/) { |d| ((d.to_i + 1) % 4).to_s } : l }
          .reject { random.rand < 0.1 }
      rows =
        Records::Comparison.compare(zone(HEAD + lines.join("\n")), zone(HEAD + changed.join("\n")))
      assert_equal ldns_difference(lines, changed),
                   rows.map(&:kind).tally.slice(:missing, :different).values.sum.positive?
    end
  end

  # Lines that the short way takes, or must leave to the long one: each is read by both, and both
  # agree.
  EDGES = [
    "a A 192.0.2.1",
    "a 60 A 192.0.2.255",
    "a IN A 0.0.0.0",
    "a 60 IN A 1.2.3.4",
    "a IN 60 A 1.2.3.4",
    "@ A 1.2.3.4",
    "a A 192.0.2.256",
    "a A 192.0.2.01",
    "a A 192.0.2",
    "a AAAA ::",
    "a AAAA ::1",
    "a AAAA 1::",
    "a AAAA 2001:db8::1:2",
    "a AAAA 1:2:3:4:5:6:7:8",
    "a AAAA 1:2:3:4:5:6:7::",
    "a AAAA ::2:3:4:5:6:7:8",
    "a AAAA 1::2::3",
    "a AAAA :1",
    "a AAAA 1:",
    "a AAAA 12345::",
    "a AAAA 1:2:3:4:5:6:7",
    "a AAAA 1:2:3:4:5:6:7:8:9",
    "a AAAA ::ffff:192.0.2.1",
    "a AAAA 2001:DB8::A",
    "a MX 10 m",
    "a MX 65535 m",
    "a MX 65536 m",
    "a MX m",
    "a MX 1 m n",
    "a SRV 1 2 3 t",
    "a SRV 1 2 t",
    "a SRV 0 0 0 .",
    "a TXT x",
    "a TXT x y",
    "a TXT \"x y\" z",
    "a TXT \"\"",
    "a TXT \"x\"y",
    "a TXT x\"y\"",
    "a TXT \"a\"\"b\"",
    "a TXT",
    "a CAA 0 issue \"c.test\"",
    "a CAA 0 issue c.test",
    "a CAA 256 issue \"c\"",
    "a CAA 0 is-sue \"c\"",
    "a CNAME b",
    "a NS b.c.",
    "a CNAME .",
    "a PTR @",
    "a PTR b..c",
    "a.b. A 1.2.3.4",
    "a.tide.example. A 1.2.3.4",
    "#{"x" * 63} A 1.2.3.4",
    "#{"x" * 64} A 1.2.3.4",
    "#{Array.new(8) { "y" * 30 }.join(".")} A 1.2.3.4",
    "a 0 A 1.2.3.4",
    "a 1h A 1.2.3.4",
    "a 99999999999 A 1.2.3.4",
    "60 A 1.2.3.4",
    "60 60 A 1.2.3.4",
    "in A 1.2.3.4",
    "a in A 1.2.3.4",
    "A A 1.2.3.4",
    "a A A",
    "\ta A 1.2.3.4",
    "  A 192.0.2.4",
    "a  \t A \t 192.0.2.4 \t",
    "a A 192.0.2.4 extra",
    "a TXT #{"z" * 256}",
    "*.w A 1.2.3.4",
    "_x._tcp A 1.2.3.4",
    "a/b A 1.2.3.4",
    "a=b A 1.2.3.4",
    "a A",
    "A",
    "a",
    "a TXT caf\u00e9",
    "a CNAME caf\u00e9"
  ].freeze

  def test_the_short_and_the_long_way_agree
    EDGES.each do |line|
      # A comment at its end sends a line the long way.
      short, long =
        ["", " ;"].map do |end_of_line|
          read_or_reason("#{HEAD}first A 192.0.2.9\n#{line}#{end_of_line}\n")
        end
      assert_equal long, short, line
    end
  end

  # RFC 4034 §6.1's own list, as `zone canonical` puts it.
  ORDER = %w[
    example.
    a.example.
    yljkjljk.a.example.
    z.a.example.
    zabc.a.example.
    z.example.
    \\001.z.example.
    *.z.example.
    \\200.z.example.
  ].freeze

  def test_canonical_order
    names = [
      "z.example.",
      "\\200.z.example.",
      "a.example.",
      "yljkjljk.a.example.",
      "*.z.example.",
      "example.",
      "\\001.z.example.",
      "Z.a.example.",
      "zABC.a.EXAMPLE."
    ]
    read =
      Records::ZoneReader.read(names.map { |n| "#{n} 60 A 192.0.2.1\n" }.join, origin: "example")
    assert_equal(ORDER, Records::ZoneWriter.canonical(read).lines.map { |l| l.split.first })
  end

  # RFC 1035 §5.3, from memory, with its included file.
  ISI = <<~'TEXT'
    @   IN  SOA     VENERA      Action\.domains (
                                     20     ; SERIAL
                                     7200   ; REFRESH
                                     600    ; RETRY
                                     3600000; EXPIRE
                                     60)    ; MINIMUM

            NS      A.ISI.EDU.
            NS      VENERA
            NS      VAXA
            MX      10      VENERA
            MX      20      VAXA

    A       A       26.3.0.103

    VENERA  A       10.1.0.52
            A       128.9.0.32

    VAXA    A       10.2.0.27
            A       128.9.0.33


    $INCLUDE <SUBSYS>ISI-MAILBOXES.TXT
  TEXT
  MAILBOXES = <<~TEXT
    MOE     MB      A.ISI.EDU.
    LARRY   MB      A.ISI.EDU.
    CURLEY  MB      A.ISI.EDU.
    STOOGES MG      MOE
            MG      LARRY
            MG      CURLEY
  TEXT

  def test_the_standards_own_zone
    read =
      Records::ZoneReader.read(
        ISI,
        origin: "ISI.EDU",
        files: {
          "<SUBSYS>ISI-MAILBOXES.TXT" => MAILBOXES
        }
      )
    assert_equal 17, read.size
    assert_equal "Action\\.domains.ISI.EDU.", read.soa.values[1].to_s
    assert_equal [60] * read.all.size, read.all.map(&:ttl)
    files =
      { "in" => ISI.sub("<SUBSYS>", ""), "ISI-MAILBOXES.TXT" => MAILBOXES }.map do |n, t|
        file(n, t)
      end
    said, status =
      Open3.capture2e(
        "named-compilezone",
        *SWITCHES,
        "-o",
        out = File.join(@folder, "o"),
        "ISI.EDU",
        files.first,
        chdir: @folder
      )
    assert_predicate status, :success?, said
    assert_equal File.read(out).lines.map { |l| l.split.join(" ").downcase }.sort,
                 read.records.map { |r| r.to_s.downcase }.sort
  end

  private

  # ldns counts a changed set as changed and a lost one as missing.
  def ldns_difference(old, new)
    files =
      [["old", old], ["new", new]].map do |n, l|
        file(n, Records::ZoneWriter.write(zone(HEAD + l.join("\n"))))
      end
    said, = Open3.capture2e("ldns-compare-zones", "-a", "-s", *files)
    counts =
      said[/(\d+)\D+(\d+)\D+(\d+)/] &&
        [Regexp.last_match(1), Regexp.last_match(2), Regexp.last_match(3)].map(&:to_i)
    refute_nil counts, said
    counts.sum.positive?
  end

  def read_or_reason(text)
    zone(text).records.map(&:to_s)
  rescue Records::ZoneError => e
    [e.line, e.reason]
  end
end
