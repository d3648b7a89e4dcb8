# frozen_string_literal: true

require_relative "../test_helper"
require "open3"
require "tmpdir"

# Every record type that BIND's named-compilezone of Debian's stable takes, and what it refuses (test/data/zones.txt,
# zone bodies parted by “%%”): both take and refuse the same, and say the same of what they take.
class RecordTypesTest < Minitest::Test
  HEAD = "$TTL 3600\n@ IN SOA ns1 hostmaster 7 7200 3600 1209600 900\n@ NS ns1.other.test.\n"
  BODIES = File.read(File.expand_path("../data/zones.txt", __dir__)).chomp.split("\n%%\n").freeze
  SWITCHES = %w[-q -i none -k ignore -r ignore -m ignore -n ignore -S ignore -T ignore -s full].freeze

  def setup = @folder = Dir.mktmpdir
  def teardown = FileUtils.rm_rf(@folder)

  # Lines as named-compilezone writes them, or nil where it refuses.
  def theirs(text)
    File.binwrite(File.join(@folder, "in"), text)
    out = File.join(@folder, "out")
    _, status = Open3.capture2e("named-compilezone", *SWITCHES, "-o", out, "tide.example", File.join(@folder, "in"))
    plain(File.binread(out).lines.grep_v(/\A;/)) if status.success?
  end

  def ours(text)
    plain(zone(text).records.map { |r| r.to_s.b })
  rescue Records::ZoneError => e
    assert_operator e.line, :>=, 4
    nil
  end

  # Without quotes, case and blanks within the data: long data are broken where each likes.
  def plain(lines)
    lines.map do |line|
      owner, ttl, _, type, data = line.strip.split(/\s+/, 5)
      [owner, ttl, type, data.to_s.delete("\" \t").downcase]
    end.sort
  end

  def test_both_take_and_refuse_the_same
    BODIES.each do |body|
      text = "#{HEAD}#{body}\n"
      assert_equal [theirs(text)], [ours(text)], body
    end
  end

  # Our writing of it reads the same for both; ours takes it from the wire as well.
  def test_what_is_written_and_what_comes_by_wire
    kept = BODIES.select { |b| ours("#{HEAD}#{b}\n") }
    kept.each do |body|
      read = zone("#{HEAD}#{body}\n")
      assert_equal theirs("#{HEAD}#{body}\n"), theirs(Records::ZoneWriter.write(read)), body
      read.records.each { |r| assert_equal r.rdata, Records::Rdata.from_wire(r.type, r.rdata.to_wire), body }
    end
  end

  # body => column of what is wrong (RFC 9460 §14.3.2 reserves 65535, which BIND takes)
  COLUMNS = { "a A 192.0.2.ä" => 5, "a MX ä x" => 6, "a   HTTPS 1 . key65535=x" => 15, "a MX 10 x y" => 9,
              "a A ( 192.0.2.1\n  x )" => nil, "a TXT \"open" => 7, "a A 1 )" => 7 }.freeze

  def test_errors_name_line_and_column
    COLUMNS.each do |body, column|
      error = assert_raises(Records::ZoneError, body) { zone("#{HEAD}#{body}\n") }
      column ? assert_equal([4, column], [error.line, error.column], body) : assert_equal(4, error.line)
      assert_predicate error.message, :valid_encoding?
    end
  end
end
