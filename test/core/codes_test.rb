# frozen_string_literal: true

require_relative "../test_helper"

# Lists of codes by the rules of the job §7 and RFC 4180: nothing is trimmed inside, nothing is
# guessed.
class CodesTest < Minitest::Test
  # line => name and code, or a part of the error; warnings
  LINES = [
    ["a.example,abc123", "a.example", "abc123", []],
    ["a.example;abc123", "a.example", "abc123", []],
    ["a.example\tabc123", "a.example", "abc123", []],
    ["a.example    abc123", "a.example", "abc123", []],
    ["a.example,ab,c;1 2\"3", "a.example", "ab,c;1 2\"3", ["holds a blank"]],
    ["A.Example.,AbC123", "a.example", "AbC123", []],
    ["fähre.example,abc123", "xn--fhre-loa.example", "abc123", []],
    ["a.isl.test,abc123", "a.isl.test", "abc123", []],
    ["a.example, abc123", "a.example", "abc123", ["Blanks around it were left out"]],
    ["a.example,abc123  ", "a.example", "abc123", ["Blanks around it were left out"]],
    ["a.example,\" abc123\"", "a.example", " abc123", ["begins or ends with a blank"]],
    ["a.example,abc 123", "a.example", "abc 123", ["is that a part of the code?"]],
    ["a.example,\"ab,\"\"c 1\"", "a.example", "ab,\"c 1", ["holds a blank"]],
    ["\"a.example\",\"abc123\"", "a.example", "abc123", []],
    ["a.example,abc\"123\"", "a.example", "abc\"123\"", []],
    ["a.example,0OIl1x", "a.example", "0OIl1x", []],
    ["a.example,abc", "a.example", "abc", ["3 characters; at least 6"]],
    ["a.example,#{"x" * 65}", "a.example", "x" * 65, ["65 characters; at most 64"]],
    ["a.example,abcdé1", "a.example", "abcdé1", ["beyond ASCII"]],
    ["a.example;#hash1", "a.example", "#hash1", []],
    ["a.example", nil, "no code stands behind", nil],
    ["a.example,", nil, "no code stands behind", nil],
    ["a.example,   ", nil, "no code stands behind", nil],
    [",abc123", nil, "no domain name begins", nil],
    ["a.example,\"abc123", nil, "does not close", nil],
    ["a.example , abc123", nil, "is “,” a part of the code?", nil],
    ["www.a.example,abc123", nil, "is a.example meant?", nil],
    ["https://a.example,abc123", nil, "is a.example meant?", nil],
    ["-a-.example,abc123", nil, "the part “-a-”", nil],
    ["name,code", nil, "has no suffix", nil]
  ].freeze

  def test_lines
    LINES.each do |text, name, code, warnings|
      line = Core::Codes::List.read(text, suffixes: ["isl.test"]).first
      next assert_includes said(line.error), code, text unless name

      assert_equal [name, code], [line.name&.ascii, line.code], "#{text}: #{line.error}"
      assert_equal warnings.size, line.warnings.size, text
      warnings.zip(line.warnings) { |part, warning| assert_includes said(warning), part, text }
    end
  end

  def test_whole_lists
    text = [
      "\uFEFFa.example,abc123",
      "",
      "# left out",
      "b.example,same12",
      "b.example,same12",
      "c.example,one123",
      "c.example,two123",
      "d.example,last12"
    ].join("\r\n")
    lines = Core::Codes::List.read(text)
    assert_equal [1, 4, 5, 6, 7, 8], lines.map(&:number)
    assert_equal(
      %w[a.example b.example b.example c.example c.example d.example],
      lines.map { |l| l.name&.ascii }
    )
    assert_equal "It stands on lines 4, 5.", said(lines[2].warnings.first)
    assert_equal ["Different codes for c.example stand on lines 6, 7."],
                 lines.filter_map(&:error).map { |e| said(e) }.uniq
    assert_equal [nil, nil], lines[3..4].map(&:code)
  end

  # RFC 4180 §2.6, §2.7 against Ruby's general csv library: what it writes, we read.
  def test_random_codes_written_by_a_general_library_are_read_back
    random = Random.new(4180)
    1000.times do |i|
      code = Array.new(random.rand(1..20)) { (33 + random.rand(94)).chr }.join
      line = CSV.generate_line(["n#{i}.example", code], force_quotes: true)
      read = Core::Codes::List.read(line).first
      assert_equal ["n#{i}.example", code], [read.name&.ascii, read.code], line
      next if code.start_with?('"', ",", ";")

      assert_equal code, Core::Codes::List.read("n#{i}.example\t#{code}").first.code
    end
  end
end
