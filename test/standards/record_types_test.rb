# frozen_string_literal: true

require_relative "../test_helper"
require "open3"
require "tmpdir"

# Every record type that BIND's named-compilezone of Debian's stable takes, and what it refuses
# (test/data/zones.txt, zone bodies parted by “%%”): both take and refuse the same, and say the same
# of what they take.
class RecordTypesTest < Minitest::Test
  HEAD = "$TTL 3600\n@ IN SOA ns1 hostmaster 7 7200 3600 1209600 900\n@ NS ns1.other.test.\n"
  BODIES = File.read(File.expand_path("../data/zones.txt", __dir__)).chomp.split("\n%%\n").freeze
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

  def setup = @folder = Dir.mktmpdir
  def teardown = FileUtils.rm_rf(@folder)

  # {text => lines as named-compilezone writes them, or nil where it refuses}; several processes at
  # once.
  def theirs(texts)
    queue = Queue.new(texts.uniq).close
    workers =
      Array.new(3) do |number|
        Thread.new do
          done = {}
          while (text = queue.pop)
            done[text] = compiled(text, number)
          end
          done
        end
      end
    workers.map(&:value).reduce(:merge)
  end

  def compiled(text, number)
    from, out = %w[in out].map { |part| File.join(@folder, "#{part}#{number}") }
    File.binwrite(from, text)
    _, status = Open3.capture2e("named-compilezone", *SWITCHES, "-o", out, "tide.example", from)
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
    lines
      .map do |line|
        owner, ttl, _, type, data = line.strip.split(/\s+/, 5)
        [owner, ttl, type, data.to_s.delete("\" \t").downcase]
      end
      .sort
  end

  # Our writing of what is taken reads the same for both; ours takes it from the wire as well.
  def test_both_take_and_refuse_the_same
    texts = BODIES.map { |body| "#{HEAD}#{body}\n" }
    said = theirs(texts)
    kept =
      texts.select do |text|
        assert_equal [said[text]], [ours(text)], text
        said[text]
      end
    written = kept.to_h { |text| [text, Records::ZoneWriter.write(zone(text))] }
    again = theirs(written.values)
    assert_operator kept.size, :>, 100
    kept.each do |text|
      assert_equal said[text], again[written[text]], text
      zone(text).records.each do |r|
        assert_equal r.rdata, Records::Rdata.from_wire(r.type, r.rdata.to_wire), text
      end
    end
  end

  # body => column of what is wrong (RFC 9460 §14.3.2 reserves 65535, which BIND takes)
  COLUMNS = {
    "a A 192.0.2.ä" => 5,
    "a MX ä x" => 6,
    "a   HTTPS 1 . key65535=x" => 15,
    "a MX 10 x y" => 9,
    "a A ( 192.0.2.1\n  x )" => nil,
    "a TXT \"open" => 7,
    "a A 1 )" => 7
  }.freeze

  def test_errors_name_line_and_column
    COLUMNS.each do |body, column|
      error = assert_raises(Records::ZoneError, body) { zone("#{HEAD}#{body}\n") }
      if column
        assert_equal([4, column], [error.line, error.column], body)
      else
        assert_equal(4, error.line)
      end
      assert_predicate error.message, :valid_encoding?
    end
  end
end
