# frozen_string_literal: true

require_relative "../test_helper"

# Tables of records as people copy them from DNS hosts' pages: columns in any order, with and
# without a head.
class TableReaderTest < Minitest::Test
  # text => records; all mean the same with every separator.
  SAME = [
    "tide.example. 300 IN MX 10 mail.tide.example.",
    "www.tide.example. 3600 IN A 192.0.2.1"
  ].freeze
  SPELLINGS = [
    "Name\tType\tValue\tTTL\n@\tMX\t10 mail.tide.example\t300\nwww\tA\t192.0.2.1\t1 hour\n",
    "Type\tHost\tPoints to\tPriority\tTTL\nMX\t@\tmail.tide.example\t10\t5 " \
      "min\nA\twww\t192.0.2.1\t\t3600\n",
    "300 | MX | tide.example | 10 mail.tide.example.\n3600 | A | www.tide.example. | 192.0.2.1\n",
    "TTL;Record type;Record name;Content\n300;MX;;10 mail\nauto;A;www;192.0.2.1\n",
    "@   MX   10 mail.tide.example   5m\nwww   A   192.0.2.1   1h\n",
    "mx, @, 10 mail.tide.example, 300\na, www, 192.0.2.1, 3600\n",
    "Name\u{a0}\tType\tValue\tTTL\n@\tMX\t10\u{a0}mail.tide.example\t300\nwww\tA\t192.0.2.1\u{a0}\t3600\n"
  ].freeze

  def read(text) = Records::TableReader.read(text, origin: "tide.example")
  def shown(found) = found.zone.records.map(&:to_s).sort

  def test_columns_are_told_apart
    SPELLINGS.each do |text|
      assert_equal [SAME.sort, []], [shown(read(text)), read(text).problems], text
    end
  end

  # one line under a head => its record, or why it can't be told
  LINES = {
    "t\tTXT\tv=spf1 include:x.test -all\t60" =>
      "t.tide.example. 60 IN TXT \"v=spf1 include:x.test -all\"",
    "t\tTXT\t\"a\" \"b\"\t60" => "t.tide.example. 60 IN TXT \"a\" \"b\"",
    "t\tTXT\tsays \"hello\"\t60" => "t.tide.example. 60 IN TXT \"says \\\"hello\\\"\"",
    "_sip._tcp\tSRV\t10 5 5060 sip.other.test\t60" =>
      "_sip._tcp.tide.example. 60 IN SRV 10 5 5060 sip.other.test.",
    "möwe\tA\t192.0.2.1\t60" => "xn--mwe-sna.tide.example. 60 IN A 192.0.2.1",
    "w\tCNAME\t@\t60" => "w.tide.example. 60 IN CNAME tide.example.",
    "@\tCAA\t0 issue \"ca.test\"\t60" => "tide.example. 60 IN CAA 0 issue \"ca.test\"",
    "w\tA\t192.0.2.999\t60" => "“192.0.2.999” is not an IPv4 address",
    "w\tMX\tmail\t60" => "MX lacks its priority",
    "w\tA\t192.0.2.1\tsoon" => "“soon” is not a TTL",
    "w\tA\t\t60" => "the value is missing",
    "w\tHOPE\tx\t60" => "“HOPE” is not a record type"
  }.freeze

  def test_lines
    LINES.each do |line, expected|
      found = read("Name\tType\tValue\tTTL\n#{line}\n")
      assert_equal expected, shown(found).first || found.problems.first.last, line
    end
  end

  def test_what_is_no_record
    lines = "@\tALIAS\tlb.other.test\t300\nold\tURL\thttps://x.test/\t300\nw\tA\t192.0.2.1\t\n"
    found = read("Name\tType\tValue\tTTL\n#{lines}")
    assert_equal [
                   [%w[tide.example lb.other.test]],
                   [[3, "old.tide.example", "URL", "https://x.test/"]],
                   1
                 ],
                 [found.aliases.map { |n, t| [n.to_host, t] }, found.services, found.assumed]
    ["", "|", ";", "\t\n", "nothing here", "one\ttwo\tthree\n"].each do |text|
      assert_raises(Records::ZoneError, text) { read(text) }
    end
  end
end
