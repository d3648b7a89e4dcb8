# frozen_string_literal: true

require_relative "../test_helper"
require "open3"
require "tmpdir"

# Random zone files, seeded, read by ours and by BIND's named-compilezone (Debian): the same
# records, or both refuse.
class RandomZonesTest < Minitest::Test
  ZONES = 60
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
  SPLIT = %r{(?<=[A-Za-z0-9+/]{40}) (?=[A-Za-z0-9+/=]+\z)}
  LABELS = %w[www Mail a B2 x-y _sip _tcp 1 10 deep UPPER \\046dot sp\\032ace].freeze
  DATA = {
    "A" => "192.0.2.%<n>d",
    "AAAA" => "2001:DB8::%<n>x",
    "MX" => "%<n>d %<to>s",
    "TXT" => "\"a;b\" \"c\\\"d\" \\255",
    "CNAME" => "%<to>s",
    "SRV" => "1 2 %<n>d %<to>s",
    "CAA" => "0 ISSUE \"ca.test\"",
    "NS" => "%<to>s",
    "HTTPS" => "1 . alpn=h2,h3 port=%<n>d",
    "TYPE65280" => "\\# 4 DEADbeef",
    "Ptr" => "%<to>s",
    "LOC" => "60 9 0.000 N 24 39 0.000 E 10.00m",
    "NAPTR" => "1 2 \"u\" \"E2U+sip\" \"\" %<to>s"
  }.freeze

  def pick(list) = list.sample(random: @random)
  def some_name = Array.new(@random.rand(1..3)) { pick(LABELS) }.join(".")
  def target = pick([some_name, "#{some_name}.Other.Test.", "@"])
  def ttl = pick(["", "60 ", "1h30m ", "2D ", "0 "])

  def data(type) = format(DATA.fetch(type), n: @random.rand(0..255), to: target)

  def line(index)
    case @random.rand(14)
    when 0
      "$ORIGIN #{pick(%w[sub x.sub tide.example. Deep.tide.example.])}"
    when 1
      "$TTL #{@random.rand(1..9999)} ; from here"
    else
      type = pick(DATA.keys)
      words = pick([[ttl, "IN "], ["in ", ttl], [ttl, ""]]).join
      owner = @random.rand(8).zero? ? "*.w#{index}" : "n#{index}.#{pick(LABELS)}"
      "#{owner} #{words}#{type} #{data(type)}#{pick(["", " ; c", "\t"])}"
    end
  end

  def zone_file
    head = [
      "$TTL 1h",
      "@ IN SOA ns1 Hostmaster ( 7 ; serial",
      "  2h 1h 2w",
      "  1h )",
      "@ NS ns1.other.test."
    ]
    "#{(head + Array.new(@random.rand(5..30)) { |i| line(i) }).join("\n")}\n"
  end

  # Its records, or nil where it refuses.
  def theirs(text, folder)
    File.binwrite(file = File.join(folder, "in"), text)
    out = File.join(folder, "out")
    _, status = Open3.capture2e("named-compilezone", *SWITCHES, "-o", out, "tide.example", file)
    return unless status.success?

    File
      .binread(out)
      .lines
      .map { |l| l.split(/\s+/, 5).map(&:strip).join(" ").gsub(SPLIT, "").downcase }
      .sort
  end

  def ours(text)
    Records::ZoneReader
      .read(text.b, origin: "tide.example")
      .records
      .map { |r| r.to_s.b.downcase }
      .sort
  rescue Records::ZoneError
    nil
  end

  def test_both_read_the_same
    Dir.mktmpdir do |folder|
      ZONES.times do |seed|
        @random = Random.new(seed)
        text = zone_file
        expected = theirs(text, folder)
        expected.nil? ? assert_nil(ours(text), text) : assert_equal(expected, ours(text), text)
      end
    end
  end
end
