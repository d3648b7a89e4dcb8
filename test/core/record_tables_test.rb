# frozen_string_literal: true

require_relative "../test_helper"

# Records by tables: what is recommended for a name's DNS, what is typed into a host's form, what a
# host can't hold, and what is wrong in a line, said so that it can be mended.
class RecordTablesTest < Minitest::Test
  Records = Core::Records
  ORIGIN = Records::Name.parse("kelp.example")

  # hosts known, what is so => [choice, why] (rules of the job §6; common practice)
  CHOICES = [
    [1, { ends: true, barred: true }, %w[dns_only barred_and_ends]],
    [1, { ends: true, signed: true }, %w[carry ends_signed]],
    [1, { ends: true }, %w[carry ends]],
    [1, { ends: false }, %w[keep stands_alone]],
    [1, { in_bailiwick: true }, %w[keep own_servers]],
    [1, {}, %w[carry host_unknown]],
    [0, { ends: true, copies: true }, %w[copy copies]],
    [0, { ends: true }, %w[later later]],
    [0, { ends: false }, %w[keep stands_alone]],
    [0, { in_bailiwick: true }, %w[keep own_servers]],
    [0, {}, %w[stay not_known]]
  ].freeze

  def test_what_is_recommended
    CHOICES.each do |hosts, so, (id, why)|
      facts = Records::CarryChoices::Facts.new(new_hosts: hosts, zone: true, complete: false, **so)
      offered = Records::CarryChoices.offered(facts)
      assert_equal [id, "records.choices.because.#{why}"],
                   [offered.first.id, offered.first.because.key],
                   so
      assert_equal Records::CarryChoices::IDS.sort, offered.map(&:id).sort
      assert_equal hosts.positive?, offered.find { |c| c.id == "carry" }.open
      offered
        .flat_map { |c| [*c.means, c.because].compact }
        .each { |phrase| assert_operator SteadyMove::Words.text(phrase).length, :>, 20, phrase.key }
    end
  end

  def record(line) = Records::ZoneReader.read("#{line}\n", origin: "kelp.example").records.first

  # host's form, record => what is typed beside type and TTL
  FORMS = [
    [
      {},
      "@ 60 IN MX 10 mx.far.example.",
      { "owner" => "@", "priority" => "10", "target" => "mx.far.example" }
    ],
    [
      { "target_dot" => true },
      "www 60 IN CNAME far.example.",
      { "owner" => "www", "value" => "far.example." }
    ],
    [
      { "owner_form" => "absolute" },
      "www 60 IN A 192.0.2.1",
      { "owner" => "www.kelp.example", "value" => "192.0.2.1" }
    ],
    [
      { "owner_form" => "absolute_dot" },
      "@ 60 IN A 192.0.2.1",
      { "owner" => "kelp.example.", "value" => "192.0.2.1" }
    ],
    [{}, '@ 60 IN TXT "two " "pieces"', { "owner" => "@", "value" => "two pieces" }],
    [
      { "quotes_texts" => true },
      '@ 60 IN TXT "two " "pieces"',
      { "owner" => "@", "value" => '"two " "pieces"' }
    ],
    [
      {},
      '@ 60 IN CAA 0 issue "ca.example"',
      { "owner" => "@", "flags" => "0", "tag" => "issue", "value" => "ca.example" }
    ],
    [
      {},
      "_sip._tcp 60 IN SRV 1 2 5060 sip.far.example.",
      {
        "owner" => "_sip._tcp",
        "priority" => "1",
        "weight" => "2",
        "port" => "5060",
        "target" => "sip.far.example"
      }
    ]
  ].freeze

  def test_what_is_typed_into_a_form
    FORMS.each do |habits, line, typed|
      rows = Records::FormFields.new(ORIGIN, habits).rows(record(line)).to_h
      assert_equal typed, rows.except("type", "ttl"), [habits, line].inspect
    end
  end

  # host's limits, record, [keys of what it can't hold], the TTL that it gives
  LIMITS = [
    [{}, "@ 60 IN A 192.0.2.1", [], 60],
    [{ "ttl_floor" => 300 }, "@ 60 IN A 192.0.2.1", [], 300],
    [{ "ttl_most" => 3600 }, "@ 86400 IN A 192.0.2.1", [], 3600],
    [{ "types" => %w[A] }, "@ 60 IN A 192.0.2.1", [], 60],
    [{ "types" => %w[A] }, "@ 60 IN CAA 0 issue \"ca.example\"", %w[records.limits.type.CAA], 60],
    [{ "types" => %w[A] }, "@ 60 IN LOC 53 0 N 1 0 E 0m", %w[records.limits.type.other], 60],
    [{ "wildcard" => false }, "* 60 IN A 192.0.2.1", %w[records.limits.wildcard], 60],
    [{ "wildcard" => false }, "www 60 IN A 192.0.2.1", [], 60],
    [{ "text_most" => 5 }, '@ 60 IN TXT "12345"', [], 60],
    [{ "text_most" => 5 }, '@ 60 IN TXT "123" "456"', %w[records.limits.text], 60]
  ].freeze

  def test_what_a_host_can_not_hold
    LIMITS.each do |habits, line, keys, ttl|
      limits = Records::HostLimits.of(habits)
      set = Records::ZoneReader.read("#{line}\n", origin: "kelp.example").all.first
      assert_equal [keys, ttl], [limits.refuse(set).map(&:key), limits.ttl(set.ttl)], line
      assert_equal ttl != set.ttl, !limits.ttl_changed(set).nil?, line
    end
    few = Records::HostLimits.of("sets_most" => 3)
    assert_equal [nil, 1], [few.too_many(3), few.too_many(4).values[:over]]
  end

  # a line of a zone file => part of what is said of it (RFC 1035 §5.1 and each type's own RFC)
  WRONG = {
    "$GENERATE 1-3" => "needs a range, an owner, a type and data",
    "$GENERATE 3-1 h$ A 192.0.2.$" => "is not a range such as 1-10",
    "$GENERATE 1-9/0 h$ A 192.0.2.1" => "is not a range such as 1-10",
    "$GENERATE 1-9999999 h$ A 192.0.2.1" => "records are generated",
    "$GENERATE 0-1 h${-5} A 192.0.2.1" => "below zero",
    "@ 60 IN TXT \\300" => "is above 255",
    "@ 60 IN LOC 91 0 0 N 1 0 0 E 0m" => "not a whole number from 0 to 90",
    "@ 60 IN LOC 90 0 1 N 1 0 0 E 0m" => "more than 90 degrees",
    "@ 60 IN LOC 1 0 61 N 1 0 0 E 0m" => "is not a number of seconds below 60",
    "@ 60 IN LOC 1 0 0 X 1 0 0 E 0m" => "are expected",
    "@ 60 IN LOC 1 0 0 N 1 0 0 E 99999999999m" => "is not a length in metres",
    "@ 60 IN LOC 1 0 0 N 1 0 0 E 99999999m" => "is out of range",
    "@ 60 IN IPSECKEY 10 9 2 . AQ==" => "gateway type 9 is not known",
    "@ 60 IN IPSECKEY 10 0 2 far.example. AQ==" => "where there is no gateway",
    "@ 60 IN NSEC3 1 0 1 - xyz! A" => "is not base32hex",
    "@ 60 IN NID 10 1:2:3" => "is not four groups",
    "@ 60 IN EUI48 00-11" => "6 pairs of hexadecimal digits",
    "@ 60 IN APL 9:192.0.2.0/24" => "not an address prefix",
    "@ 60 IN NSAP 47.00" => "does not begin with 0x",
    "@ 60 IN SVCB 1 . port=1 port=2" => "stands twice",
    "@ 60 IN SVCB 1 . no-default-alpn=x" => "takes no value",
    "@ 60 IN A 192.0.2.1 more" => "stands after the A data",
    "#{"a" * 64} 60 IN A 192.0.2.1" => "has 64 octets; at most 63 fit",
    "www 60 IN SOA a. b. 1 2 3 4 5" => "stands at the top of a zone alone",
    "$ORIGIN" => "needs a value",
    "  60 IN A 192.0.2.1" => "has no owner"
  }.freeze

  def test_what_is_wrong_in_a_line
    WRONG.each do |line, says|
      error =
        assert_raises(Records::ZoneError, line) do
          Records::ZoneReader.read("#{line}\n", origin: "kelp.example", generate: true)
        end
      assert_includes SteadyMove::Words.text(error.reason), says, line
      assert_equal 1, error.line
    end
  end
end
