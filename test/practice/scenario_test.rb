# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require "ipaddr"

# The demo's data hang together, and everything in them is made up: names under suffixes kept out of
# the real tree (RFC 2606, RFC 6761), addresses from the documentation ranges (RFC 5737, RFC 3849),
# telephone numbers from the range that is kept for fiction (common practice: +44 1632 960xxx).
class ScenarioTest < Minitest::Test
  FOLDER = File.join(SteadyMove::ROOT, "practice", "scenario")
  DOCUMENTATION =
    %w[192.0.2.0/24 198.51.100.0/24 203.0.113.0/24 2001:db8::/32]
      .map { |net| IPAddr.new(net) }
      .freeze
  # Tops of mail and host names that stand in the data.
  TOPS = %w[example test].freeze

  def scenario = @scenario ||= Practice::Scenario.demo
  def texts
    Dir[File.join(FOLDER, "**", "*.yml")].to_h do |f|
      [File.basename(f), File.read(f).gsub(/^\s*#.*$/, "")]
    end
  end

  def test_every_name_stands_where_it_is_said_to
    contacts = YAML.load_file(File.join(FOLDER, "saltern.yml"))["contacts"]
    scenario.names.each do |row|
      assert scenario.registrars.key?(row["at"]), "#{row["name"]}: no registrar #{row["at"]}"
      if row["dns"]
        assert scenario.hosts.key?(row["dns"]), "#{row["name"]}: no DNS host #{row["dns"]}"
      end
      assert_includes scenario.registrars.keys, row["leaving_to"], row["name"] if row["leaving_to"]
      [row["registrant"] || row["at"], row["admin"]].compact.each do |id|
        assert contacts.key?(id), "#{row["name"]}: no contact #{id}"
      end
      refute_empty scenario.suffixes.select { |s| row["name"].end_with?(".#{s}") }, row["name"]
      if row["private"]
        refute_nil scenario.registrars.dig(row["at"], "habits", "privacy"),
                   "#{row["name"]} is private where there is no privacy service"
      end
    end
    assert_equal [48, 48], [scenario.names.size, scenario.names.map { |n| n["name"] }.uniq.size]
    scenario.past.each do |row|
      assert_equal [true, true],
                   row.values_at("from", "to").map { |id| scenario.registrars.key?(id) },
                   row["name"]
    end
  end

  # What a registrar's file must hold.
  NEEDED = %w[title login password owner habits prices].freeze

  def test_every_registrar_is_whole
    assert_equal %w[cobble fairlead gannet hawser kedge millrace orlop tarnbeck withy],
                 scenario.registrars.keys
    ways = Core::Moves::Channels::ALLOWED
    scenario.registrars.each do |id, row|
      assert_empty NEEDED - row.keys, id
      assert_match(/\A[^@]+@[^@]+\z/, row.dig("habits", "sender"), id)
      assert row["counter"] == false || row["page_password"], "#{id} has pages and no key to them"
      (row.dig("knows", "ways") || {}).each do |act, way|
        assert_includes ways.fetch(act), way, "#{id} #{act}"
      end
      assert_equal [row.dig("habits", "support")], [row.dig("knows", "support")], id
      assert_includes [nil, row.dig("habits", "contacts_late")],
                      row.dig("knows", "contacts_late"),
                      id
    end
  end

  # The six habits of which the variety of the job is made: [registrar, what must hold].
  HABITS = [
    ["tarnbeck", ->(r) { r["habits"]["unlock_after"] == 900 && r["habits"]["link"] }],
    [
      "gannet",
      ->(r) do
        r["habits"]["code"].values_at("how", "to", "reason") == ["mail", "registrant", true] &&
          r["service"].nil?
      end
    ],
    [
      "millrace",
      ->(r) do
        r["service"]["identity"] && r["habits"]["code"]["to"] == "admin" &&
          r["habits"]["contacts_late"].positive?
      end
    ],
    [
      "cobble",
      ->(r) do
        r["counter"] == false && r["kind"] == "by_hand" && r["habits"]["code_after"] == 172_800
      end
    ],
    ["fairlead", ->(r) { r["habits"]["code"].nil? }]
  ].freeze

  def test_the_habits_differ
    assert_empty(
      HABITS.reject { |id, holds| holds.call(scenario.registrars.fetch(id)) }.map(&:first)
    )
    codes = scenario.names.select { |n| n["at"] == "fairlead" }.map { |n| n["code"] }.join
    [",", "\"", " ", ";"].each { |c| assert_includes codes, c }
    assert_equal %w[isl.test], scenario.registry["by_mail"]
  end

  def test_nothing_in_it_is_real
    texts.each do |file, text|
      text
        .scan(/\b\d{1,3}(?:\.\d{1,3}){3}\b|\b2001:[0-9a-f:]+/i)
        .each do |ip|
          assert(DOCUMENTATION.any? { |net| net.include?(IPAddr.new(ip)) }, "#{file}: #{ip}")
        end
      text
        .scan(/[\w.+-]+@([\w-]+(?:\.[\w-]+)+)/)
        .flatten
        .each { |host| assert_includes TOPS, host.split(".").last, "#{file}: #{host}" }
      text
        .scan(/\+\d[\d.]{6,}/)
        .each { |number| assert_match(/\A\+44\.1632960\d{3}\z/, number, file) }
      text
        .scan(%r{https?://(?:[^\s/@]*@)?([^\s/:?]+)})
        .flatten
        .each { |host| assert_includes TOPS, host.split(".").last, "#{file}: #{host}" }
    end
    scenario.names.each { |row| assert_includes TOPS, row["name"].split(".").last }
  end
end
