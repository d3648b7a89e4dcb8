# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../practice/practice"
require "open3"
require "tmpdir"

# The practice world's signed zone against BIND's dnssec-verify and dnssec-dsfromkey (Debian), and
# the signing records' own forms against named-compilezone: RFC 4034, RFC 8080.
class SignedZoneTest < Minitest::Test
  Records = SteadyMove::Core::Records
  ORIGIN = "tide.example"
  TEXT = <<~ZONE
    $TTL 3600
    @ IN SOA ns1 hostmaster 7 7200 3600 1209600 900
    @ NS ns1.other.test.
    @ MX 10 Mail
    mail A 192.0.2.1
    mail AAAA 2001:db8::1
    *.quay TXT "any" "thing"
    far NS ns.far
    ns.far A 192.0.2.9
    deep.under.all SRV 1 2 3 mail
  ZONE

  def setup
    @signer =
      Practice::Dns::Signer.new(
        "a seed for this test",
        from: Time.now - 86_400,
        to: Time.now + (30 * 86_400)
      )
    @signed = @signer.sign(Records::ZoneReader.read(TEXT, origin: ORIGIN))
  end

  def tool(name, *args, **options)
    Open3.capture2e({ "PATH" => "#{ENV.fetch("PATH")}:/usr/sbin" }, name, *args, **options)
  end

  def test_dnssec_verify_finds_it_whole
    Dir.mktmpdir do |folder|
      File.write(file = File.join(folder, "zone"), Records::ZoneWriter.write(@signed))
      said, status = tool("dnssec-verify", "-z", "-o", ORIGIN, file)
      assert_predicate status, :success?, said
      broken = File.read(file).sub("192.0.2.1", "192.0.2.2")
      File.write(file, broken)
      said, status = tool("dnssec-verify", "-z", "-o", ORIGIN, file)
      refute_predicate status, :success?, said
    end
  end

  def test_the_ds_is_that_of_dnssec_dsfromkey
    Dir.mktmpdir do |folder|
      key = @signed.records.find { |r| r.type == "DNSKEY" }
      File.write(file = File.join(folder, "Kkey.key"), "#{key}\n")
      said, status = tool("dnssec-dsfromkey", "-2", file)
      assert_predicate status, :success?, said
      assert_equal said.split.drop(3).join(" "), @signer.ds(@signed.origin)
      keys = @signed.records.select { |r| r.type == "DNSKEY" }.map(&:rdata)
      assert_equal [said.split.drop(3).join(" ")],
                   Records::Delegation.ds(@signed.origin, keys),
                   "the desk's own sum"
    end
  end

  # RRSIG, NSEC and DNSKEY as text: what BIND makes of our text, our reader reads to the same zone.
  def test_named_compilezone_reads_the_same
    Dir.mktmpdir do |folder|
      File.write(file = File.join(folder, "zone"), Records::ZoneWriter.write(@signed))
      out = File.join(folder, "out")
      said, status =
        tool("named-compilezone", "-q", "-i", "none", "-k", "ignore", "-o", out, ORIGIN, file)
      assert_predicate status, :success?, said
      theirs = Records::ZoneReader.read(File.read(out), origin: ORIGIN)
      assert_equal @signed.sets.transform_values(&:meanings),
                   theirs.sets.transform_values(&:meanings)
    end
  end

  def test_signatures_are_not_carried
    assert_empty @signed.content.map(&:type) & Records::Rdata::SIGNING
  end
end
