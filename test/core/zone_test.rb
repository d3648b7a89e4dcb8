# frozen_string_literal: true

require_relative "../test_helper"

class ZoneTest < Minitest::Test
  SOA = "@ 3600 IN SOA ns1 hostmaster 1 7200 3600 1209600 900\n"

  # text => [line, part of the message]
  MISTAKES = {
    "www IN A 192.0.2.1\n" => [1, "no time to live"],
    "$TTL 1h\nwww A 192.0.2.999\n" => [2, "is not an IPv4 address"],
    "$TTL 1h\nwww AAAA 192.0.2.1\n" => [2, "is not an IPv6 address"],
    "$TTL 1h\nwww MX mail\n" => [2, "is not a whole number"],
    "$TTL 1h\nwww TXT \"open\n" => [2, "not closed"],
    "$TTL 1h\nwww ( A 192.0.2.1\n" => [2, "never closed"],
    "$TTL 1h\nwww A ) 192.0.2.1\n" => [2, "was not opened"],
    "$TTL 1h\nwww BOGUS x\n" => [2, "not a record type"],
    "$TTL 1h\nwww CH TXT x\n" => [2, "only IN"],
    "$TTL 1h\n#{"a" * 64} A 192.0.2.1\n" => [2, "at most 63"],
    "$TTL 1h\nwww TXT #{"a" * 256}\n" => [2, "at most 255"],
    "$INCLUDE other\n" => [1, "was not given"],
    "$TTL never\n" => [1, "not a time to live"],
    "$TTL 1h\nwww TYPE999 \\# 3 AABB\n" => [2, "the length says 3"],
    "$TTL 1h\nwww A 192.0.2.1 extra\n" => [2, "stands after"]
  }.freeze

  def test_what_lies_outside_the_zone_is_told_and_not_taken
    read = zone("$TTL 1h\nwww.other.test. A 192.0.2.1\nwww A 192.0.2.1\n")
    assert_equal [[2, "www.other.test."], ["www.tide.example."]],
                 [
                   read.ignored.flat_map { |line, r| [line, r.name.to_s] },
                   read.records.map { |r| r.name.to_s }
                 ]
  end

  def test_mistakes_name_their_line_and_reason
    MISTAKES.each do |text, (line, reason)|
      error = assert_raises(Records::ZoneError, text) { zone(text) }
      assert_equal line, error.line, text
      assert_includes error.message, reason
    end
  end

  def test_what_was_written_reads_the_same
    first =
      zone(
        "#{SOA}@ NS ns1\n$ORIGIN sub\nwww 1h30m IN TXT \"a\\\"b\\007\" ; c\n HTTPS 1 . " \
          "alpn=\"h2\" " \
          "port=443\n\\@x A 192.0.2.1\n"
      )
    again = zone(Records::ZoneWriter.write(first))
    assert_equal first.records.map(&:to_s).sort, again.records.map(&:to_s).sort
    assert_equal 5400, first[Records::Name.parse("www.sub.tide.example."), "TXT"].ttl
  end

  # old, new, kinds: what a comparison says. Meaning, not spelling: RFC 4343 (case), RFC 2181 §5
  # (sets), joined TXT strings.
  COMPARED = [
    ["@ 60 A 192.0.2.1", "@ 60 A 192.0.2.1", :same],
    ["@ 60 A 192.0.2.1", "@ 90 A 192.0.2.1", :ttl],
    ["@ 60 A 192.0.2.1", "@ 60 A 192.0.2.2", :different],
    ["@ 60 A 192.0.2.1", "x 60 A 192.0.2.1", :missing],
    ["@ 60 MX 10 MAIL", "@ 60 MX 10 mail", :same],
    ["@ 60 TXT \"ab\" \"cd\"", "@ 60 TXT abcd", :same],
    ["@ 60 TXT Ab", "@ 60 TXT ab", :different],
    ["@ 60 A 192.0.2.1\n@ 60 A 192.0.2.2", "@ 60 A 192.0.2.2\n@ 60 A 192.0.2.1", :same],
    ["@ 60 A 192.0.2.1\n@ 60 A 192.0.2.2", "@ 60 A 192.0.2.1", :different],
    ["@ 60 TYPE1 \\# 4 C0000201", "@ 60 A 192.0.2.1", :same]
  ].freeze

  def test_comparison_by_meaning
    COMPARED.each do |old, new, kind|
      rows = Records::Comparison.compare(zone(old), zone(new))
      assert_equal kind, rows.first.kind, "#{old} / #{new}"
      assert_equal %i[same ttl].include?(kind), Records::Comparison.same_content?(rows)
    end
  end

  def test_what_would_break_is_named_and_the_hosts_own_records_stand_apart
    old = zone("#{SOA}@ 60 NS ns1.old.test.\n@ 60 MX 10 mail\n")
    new = zone("#{SOA}@ 60 NS ns1.new.test.\n")
    rows = Records::Comparison.compare(old, new)
    assert_equal(
      ["Mail to tide.example would be refused or go astray: its MX record is missing."],
      rows.map { |r| SteadyMove::Words.text(r.breaks) }
    )
  end

  # How many sets a host takes, how many there are => what is said.
  TOO_MANY = {
    [3, 3] => nil,
    [2, 3] => /2 record sets at most, and 3 .* 1 too many/,
    [nil, 3] => nil
  }.freeze

  def test_a_zone_that_is_too_large_for_its_host
    TOO_MANY.each do |(most, _), says|
      old = zone("#{SOA}@ 60 MX 10 mail\nwww 60 A 192.0.2.1\nmail 60 A 192.0.2.2\n")
      limits = Records::HostLimits.of({ "sets_most" => most }.compact)
      told = Records::CarrySheet.new(old, nil, limits: limits).cautions.map { |c| said(c) }
      says ? assert_match(says, told.join) : assert_empty(told)
    end
  end

  # parent NS, zone NS, greatest, negative, registry → seconds after the switch (rules of the job
  # §6, step 4) where the old zone names the new servers, or not.
  SETTLES = [
    [86_400, 3600, 7200, 900, 0, 93_600, 97_200],
    [3600, 7200, 300, 900, 600, 8700, 12_300],
    [0, 0, 0, 0, 0, 0, 0]
  ].freeze

  def test_no_cache_holds_the_old_host_after_the_handover
    SETTLES.each do |parent, ns, greatest, negative, registry, *expected|
      found =
        [true, false].map do |old_set|
          Records::Handover.new(
            parent_ns: parent,
            zone_ns: ns,
            greatest: greatest,
            negative: negative,
            registry: registry,
            old_set: old_set
          ).settles_after
        end
      assert_equal expected, found
    end
  end
end
