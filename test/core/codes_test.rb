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

  # list => [[name, code]], or a part of the error of each line
  TABLES = {
    "domain,auth_code,expiry\na.example,Zaq!2wsx,2028-02-29" => [%w[a.example Zaq!2wsx]],
    "Domainname;AuthInfo;Status\na.example;Xy9;ok\nb.example;Zz8;ok" => [
      %w[a.example Xy9],
      %w[b.example Zz8]
    ],
    "expiry\tname\tEPP code\n2028-02-29\ta.example\tAb1-99" => [%w[a.example Ab1-99]],
    "domain,code\na.example,ab,c\nb.example,\"q\"\"1\"" => [
      %w[a.example ab,c],
      ["b.example", "q\"1"]
    ],
    "domain,code,note\na.example,ab,c,x" => "not those of the first line",
    "domain,code\na.example," => "no code stands",
    "a.example,Zaq!2wsx,2028-02-29" => "which column",
    "a.example;Zaq!2wsx;ok\nb.example;Qq1;ok" => "which column",
    "a.example\t15.00 EUR\tAb1\nb.example\t9.00 EUR\tCd2" => "which column",
    "a.example,2028-02-29" => "which column",
    "a.example pending\nb.example processing" => "which column",
    "a.example,Zaq!2wsx,2028-02-29\nb.example,other,12" => [
      %w[a.example Zaq!2wsx,2028-02-29],
      %w[b.example other,12]
    ]
  }.freeze

  def test_tables
    TABLES.each do |text, expected|
      lines = Core::Codes::List.read(text)
      if expected.is_a?(String)
        lines.each { |l| assert_includes said(l.error), expected, text }
      else
        assert_equal expected, lines.map { |l| [l.name&.ascii, l.code] }, text
      end
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

  # What is written => codes it takes, codes it does not.
  ACCEPTED = {
    "6-8 a-z -" => [%w[ab-cde abcdef abcdefgh], ["abcde", "abcdefghi", "ab_cde", "ABCDEF", ""]],
    "1-64" => [["a b", "~", "!" * 64], ["", "ä", "a\n", "x" * 65]],
    "6-64 !-+ --~" => [%w[a-b.c/d (a-z)!], ["a,bcde", "a bcde"]],
    "2-4 -" => [%w[-- ----], %w[- a-]],
    "4-2" => [[], %w[aaa]]
  }.freeze
  UNREADABLE = [
    "(",
    "\\A(a|aa)+\\z",
    "6-8 ab",
    "6-8  a",
    " 6-8",
    "6-8 ",
    "6",
    "",
    nil,
    "6-8 ä"
  ].freeze

  def test_which_codes_an_account_takes
    accepted = SteadyMove::Core::Codes::Accepted
    ACCEPTED.each do |text, (takes, not_taken)|
      form = accepted.read(text)
      takes.each { |code| assert form.takes?(code), "#{text}: #{code}" }
      not_taken.each { |code| refute form.takes?(code), "#{text}: #{code}" }
    end
    UNREADABLE.each { |text| assert_nil accepted.read(text), text.inspect }
    assert accepted.read("1-200 a-z").takes?("a" * 200), "as long as it may be"
  end
end
