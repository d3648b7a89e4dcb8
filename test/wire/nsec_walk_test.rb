# frozen_string_literal: true

require_relative "../test_helper"

# A zone read along its NSEC records (RFC 4034 §4.1), from a server that answers as it likes.
class NsecWalkTest < Minitest::Test
  Dns = SteadyMove::Wire::Dns

  Reply =
    Struct.new(:rcode, :answer, :authority, :additional) do
      def set(name, type) = answer.select { |r| r.name == name && r.type == type }
    end

  # lines: {question => lines of a zone file that are answered, or an rcode}
  Server =
    Struct.new(:lines) do
      def query(_, name, type, **)
        given = lines.fetch("#{name} #{type}", [])
        return Reply.new(given, [], [], []) if given.is_a?(String)

        told, beside = given.partition { |line| line.split[3] == type || type == "NSEC" }
        Reply.new("NOERROR", records(told), [], records(beside))
      end

      def records(lines)
        zone = Core::Records::ZoneReader.read("#{lines.join("\n")}\n", origin: "kelp.example")
        zone.records + zone.ignored.map(&:last)
      end
    end

  TOP = "kelp.example. 60 IN NSEC sub.kelp.example. A NSEC RRSIG"
  SUB = "sub.kelp.example. 60 IN NSEC kelp.example. NS NSEC RRSIG"
  WHOLE = {
    "kelp.example. NSEC" => [TOP],
    "kelp.example. A" => ["kelp.example. 60 IN A 192.0.2.1"],
    "sub.kelp.example. NSEC" => [SUB],
    "sub.kelp.example. NS" => [
      "sub.kelp.example. 60 IN NS ns.sub.kelp.example.",
      "ns.sub.kelp.example. 60 IN A 192.0.2.2"
    ]
  }.freeze

  def walk(lines) =
    Dns::NsecWalk.new(Server.new(WHOLE.merge(lines)), "ns1.kelp.example", "kelp.example").zone

  def test_a_whole_zone_with_its_glue
    found = walk({}).records.map { |r| [r.name.to_host, r.type] }
    assert_equal [%w[kelp.example A], %w[sub.kelp.example NS], %w[ns.sub.kelp.example A]], found
  end

  # what a server answers otherwise => what is said of it
  REFUSED = {
    { "kelp.example. NSEC" => [] } => /not signed with NSEC/,
    { "kelp.example. NSEC" => ["kelp.example. 60 IN NSEC3PARAM 1 0 0 -"] } => /hashed \(NSEC3/,
    {
      "kelp.example. NSEC" => ["kelp.example. 60 IN NSEC \\000.kelp.example. A"]
    } =>
      /makes names up/,
    { "kelp.example. NSEC" => ["kelp.example. 60 IN NSEC far.example. A"] } => /leaves the zone/,
    {
      "sub.kelp.example. NSEC" => ["sub.kelp.example. 60 IN NSEC sub.kelp.example. NS"]
    } =>
      /does not come back/,
    { "kelp.example. A" => [] } => /lists A at kelp.example and does not tell it/,
    { "sub.kelp.example. NSEC" => "SERVFAIL" } => /ns1.kelp.example: SERVFAIL/
  }.freeze

  def test_what_can_not_be_walked
    REFUSED.each do |lines, says|
      error = assert_raises(SteadyMove::Wire::Refused, says.inspect) { walk(lines) }
      assert_match says, error.message
    end
  end
end
