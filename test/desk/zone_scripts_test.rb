# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/command_line"
require "tempfile"

# `zone canonical`, `zone compare` and `handover`: what they print, how they end, and what they say
# of bad input.
class ZoneScriptsTest < Minitest::Test
  include CommandLine

  HEAD = "$TTL 1h\n@ SOA NS1 Hostmaster 1 2 3 4 5\n@ NS ns1.host.test.\n"

  def kept(name, text) = File.join(@folder, name).tap { |f| File.binwrite(f, text) }
  def setup = @folder = Dir.mktmpdir
  def teardown = FileUtils.rm_rf(@folder)
  def canonical(text, *more)
    run_words("zone", "canonical", kept("a", text), "--origin", "tide.example", *more)
  end

  def compare(old, new)
    status, lines, said =
      run_words(
        "zone",
        "compare",
        kept("old", HEAD + old),
        kept("new", HEAD + new),
        "--origin",
        "tide.example"
      )
    [status, lines.map { |l| JSON.parse(l) }, said]
  end

  def test_canonical
    text = "#{HEAD}WWW 60 IN A 192.0.2.2\nwww 60 A 192.0.2.1\nwww AAAA 2001:DB8::1\n@ MX 10 Mail\n"
    status, lines, said = canonical(text)
    assert_equal [0, ""], [status, said]
    assert_equal [
                   "tide.example. 3600 IN NS ns1.host.test.",
                   "tide.example. 3600 IN SOA ns1.tide.example. hostmaster.tide.example. 1 2 3 4 5",
                   "tide.example. 3600 IN MX 10 mail.tide.example.",
                   "www.tide.example. 60 IN A 192.0.2.1",
                   "www.tide.example. 60 IN A 192.0.2.2",
                   "www.tide.example. 3600 IN AAAA 2001:db8::1"
                 ],
                 lines
  end

  # text => line:column: reason
  WRONG = {
    "www A 192.0.2.999\n" => "4:7: “192.0.2.999” is not an IPv4 address",
    "www TXT \"open\n" => "4:9: a quoted text",
    "$INCLUDE x\n" => "4:10: the included file “x” was not given",
    "w CNAME x\nw A 192.0.2.1\n" => "5:5: a CNAME stands"
  }.freeze

  def test_what_is_wrong_is_told_with_its_place
    WRONG.each do |text, place|
      status, lines, said = canonical(HEAD + text)
      assert_equal [2, []], [status, lines], text
      assert_includes said, "#{@folder}/a:#{place}"
    end
    status, lines, said = canonical("#{HEAD}bad A x\nwww A 192.0.2.1\nworse MX y\n", "--keep")
    assert_equal [2, 3], [status, lines.size]
    assert_equal 2, said.lines.size
  end

  # old, new => [owner, type, kind, old, new]
  DIFFERENCES = [
    ["www A 192.0.2.1\n", "www A 192.0.2.1\n", []],
    ["www A 192.0.2.1\n", "", [["www.tide.example.", "A", "missing", ["192.0.2.1"], []]]],
    ["", "www A 192.0.2.1\n", [["www.tide.example.", "A", "extra", [], ["192.0.2.1"]]]],
    [
      "@ MX 10 a\n@ MX 20 b\n",
      "@ MX 20 B\n@ MX 30 c\n",
      [
        [
          "tide.example.",
          "MX",
          "different",
          ["10 a.tide.example.", "20 b.tide.example."],
          ["20 B.tide.example.", "30 c.tide.example."]
        ]
      ]
    ],
    [
      "w 60 A 192.0.2.1\n",
      "w 90 A 192.0.2.1\n",
      [["w.tide.example.", "A", "ttl", ["192.0.2.1"], ["192.0.2.1"]]]
    ],
    ["t TXT \"ab\" \"cd\"\n", "T TXT abcd\n", []],
    ["sub NS a.test.\nx.sub TXT hidden\n", "sub NS a.test.\n", []]
  ].freeze

  def test_compare
    DIFFERENCES.each do |old, new, expected|
      status, lines, = compare(old, new)
      assert_equal [expected.empty? ? 0 : 1, expected],
                   [status, lines.map { |l| l.values_at("owner", "type", "kind", "old", "new") }],
                   "#{old} / #{new}"
      assert_equal(
        expected.map { |e| %w[missing different].include?(e[2]) },
        lines.map { |l| !l["breaks"].nil? }
      )
    end
    assert_equal 2, compare("www A x\n", "").first
    assert_equal 2,
                 run_words(
                   "zone",
                   "compare",
                   "nowhere",
                   "nowhere",
                   "--origin",
                   "tide.example"
                 ).first
    assert_equal 2,
                 run_words("zone", "compare", kept("a", HEAD), kept("b", HEAD)).first,
                 "without an origin"
    assert_equal 2, run_words("zone", "improve", "x").first
  end

  GIVEN = {
    start: "2027-03-01T08:00:00Z",
    old_max_ttl: 7200,
    lowered_ttl: 300,
    parent_ns_ttl: 86_400,
    zone_ns_ttl: 3600,
    ds_ttl: 3600,
    negative_ttl: 900,
    publication: 600,
    signed: true,
    old_host_ends_with_registration: true,
    fastest_move: 600
  }.freeze
  BAD = [
    [{ start: "soon" }, "start: “soon” is not an instant"],
    [{ ds_ttl: -1 }, "ds_ttl: whole seconds"],
    [{ signed: "yes" }, "signed: true or false"],
    [{ fastest_move: nil }, "“fastest_move” is missing"],
    [{ hurry: 1 }, "“hurry” is not known"],
    [{ publication: 1.5 }, "publication: whole seconds"]
  ].freeze

  def test_handover
    status, lines, said = run_words("handover", kept("h", JSON.generate(GIVEN)))
    assert_equal [0, ""], [status, said]
    assert_equal(
      {
        "lower_at" => "2027-03-01T08:00:00Z",
        "rely_at" => "2027-03-01T10:00:00Z",
        "ds_remove_at" => "2027-03-01T08:00:00Z",
        "switch_at" => "2027-03-01T10:00:00Z",
        "order_at" => "2027-03-02T10:15:00Z",
        "retire_at" => "2027-03-02T10:25:00Z"
      },
      JSON.parse(lines.first)
    )
    plain =
      GIVEN.except(:ds_ttl, :fastest_move).merge(
        signed: false,
        old_host_ends_with_registration: false,
        old_zone_ns_follows: false
      )
    status, lines, said = run_words("handover", kept("h", JSON.generate(plain)))
    assert_equal [0, nil], [status, JSON.parse(lines.first)["ds_remove_at"]]
    assert_match(/no-bound/, said)
    BAD.each do |change, says|
      status, _, said = run_words("handover", kept("h", JSON.generate(GIVEN.merge(change))))
      assert_equal 2, status
      assert_includes said, says
    end
    assert_equal 2, run_words("handover", kept("h", "[1]")).first
  end
end
