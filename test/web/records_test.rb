# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Names' records over the API, at a host that hands nothing over: probed, pasted, chosen, decided,
# entered by hand at the practice world's own counter, looked at; and what each bad request is told.
class WebRecordsTest < Minitest::Test
  include SignedIn

  NAME = "saltern-gift-shop.example"
  AT = "/api/records/#{NAME}".freeze

  def new_world = BenchWorld.new(names_at: %w[fairlead])

  def setup
    super
    sign_in
  end

  def counter(id) = Practice::Counters::HostDesk.of(world.world, id)

  # The present host's own page, as a person copies it.
  def page
    counter("fairlead-dns")
      .name(NAME)
      .scan(%r{<td>(.*?)</td>}m)
      .flatten
      .map { |c| CGI.unescapeHTML(c) }
      .each_slice(4)
  end

  def table = "Name\tType\tValue\tTTL\n#{page.map { |row| row.join("\t") }.join("\n")}\n"

  def at_cleat(what, given = {}, name = NAME)
    world.world.exclusively { counter("cleat").do(name, what, given, world.world.now) }
  end

  def row(set) = answer["rows"].find { |r| r["set"] == set }

  def test_from_nothing_known_to_every_set_there
    assert_equal 409, send_to("#{AT}/zone", source: "transfer")
    assert_match(/refused the zone transfer/, answer["detail"])
    assert_equal 200, send_to("#{AT}/zone", source: "probe")
    probed = answer["copies"].first
    assert_equal [false, true],
                 [probed["complete"], probed["says"].start_with?("At least 5 record sets")]
    assert_equal 200, send_to("#{AT}/zone", source: "table", text: table)
    assert_equal [8, nil], answer["copies"].first.values_at("sets", "complete")

    assert_equal "carry",
                 answer["choices"].first["id"],
                 "the present host ends with the registration"
    send_to("#{AT}/carry", host_id: "cleat", choice: "carry")
    send_to("#{AT}/look")
    assert_equal(
      %w[refused refused],
      answer["answers"].select { |s| s["role"] == "new" }.map { |s| s["state"] }
    )
    assert_equal(8, answer["rows"].count { |r| r["kind"] == "missing" })
    assert_match(/Mail to #{NAME} would be refused/, row("#{NAME}. MX")["breaks"])
    assert_equal(
      [
        %w[owner type priority target ttl],
        [NAME, "MX", "10", "forward.fairlead-dns.example", "3600"]
      ],
      row("#{NAME}. MX")["fields"].first.then do |f|
        [f.map { |x| x["key"] }, f.map { |x| x["text"] }]
      end
    )

    at_cleat("open", { "name" => NAME }, "all")
    get "#{AT}/file?side=wanted"
    at_cleat("zone-file", "file" => last_response.body)
    send_to("#{AT}/look")
    assert_equal [0, %w[both both]],
                 [
                   answer["counts"]["open"],
                   answer["answers"]
                     .select { |s| s["role"] == "new" }
                     .last(2)
                     .map { |s| s["state"] }
                 ]
  end

  def test_decisions_change_what_is_wanted
    send_to("#{AT}/zone", source: "table", text: table)
    send_to("#{AT}/carry", host_id: "cleat", choice: "carry")
    assert_equal 422, send_to("#{AT}/decide", sets: ["#{NAME}. MX"], choice: "leave")
    assert_equal 422,
                 send_to(
                   "#{AT}/decide",
                   sets: ["#{NAME}. MX"],
                   choice: "edit",
                   text: "ten mail.saltern-office.example."
                 )
    assert_match(/Line 1, column \d+: “ten” is not a whole number/, answer["detail"])
    send_to(
      "#{AT}/decide",
      sets: ["#{NAME}. MX"],
      choice: "edit",
      text: "10 mail.saltern-office.example.",
      ttl: 900
    )
    assert_equal(
      { "ttl" => 900, "data" => ["10 mail.saltern-office.example."] },
      row("#{NAME}. MX")["wanted"]
    )
    send_to(
      "#{AT}/decide",
      sets: ["gift-cards.#{NAME}. CNAME"],
      choice: "leave",
      reason: "sold out"
    )
    assert_nil row("gift-cards.#{NAME}. CNAME")["wanted"]
    get "#{AT}/file?side=wanted"
    refute_match(/gift-cards/, last_response.body)
    get "#{AT}/file?side=old"
    assert_match(/gift-cards/, last_response.body)
  end

  # Over a connection the new host is filled at once; the sheet ticks itself off.
  def test_a_connected_host_is_filled
    send_to("#{AT}/zone", source: "table", text: "#{table}@\tALIAS\tpages.other.test\t300\n")
    assert_match(/alias to pages.other.test/, answer["copies"].first["left"].first["why"])
    send_to("#{AT}/carry", host_id: "cleat")
    assert_equal 409, send_to("#{AT}/fill"), "by hand there"
    send_to("#{AT}/carry", host_id: "lanternroom")
    send_to(
      "#{AT}/decide",
      sets: ["gift-cards.#{NAME}. CNAME"],
      choice: "leave",
      reason: "sold out"
    )
    assert_equal 200, send_to("#{AT}/fill")
    assert_equal 0, answer["counts"]["open"]
    host = world.app.accounts.host_of("lanternroom")
    there =
      world.app.dns.transfer(
        host.name_servers.first,
        NAME,
        key: SteadyMove::Desk::Common::Zones.key(host)
      )
    assert_equal 7, there.content.size
  end

  def test_services_tied_to_the_old_account
    send_to("#{AT}/zone", source: "table", text: table)
    kinds = answer["tied"].to_h { |t| [t["key"], t] }
    forwarding = kinds.keys.find { |k| k.start_with?("mail_forwarding #{NAME} ") }
    assert_includes kinds.keys, "hosting"
    assert_equal 422, send_to("#{AT}/tied", key: forwarding, state: "given_up")
    send_to("#{AT}/tied", key: forwarding, state: "replaced", reason: "mailboxes at the office")
    assert_equal(
      %w[replaced open],
      answer["tied"]
        .select { |t| [forwarding, "hosting"].include?(t["key"]) }
        .map { |t| t["state"] }
    )
  end

  # path, body => status, a part of the sentence
  BAD = [
    ["#{AT}/zone", { source: "rumour" }, 422, "source"],
    ["#{AT}/zone", { source: "file", text: "www A 192.0.2.999\n" }, 422, "Line 1, column 7"],
    ["#{AT}/zone", { source: "file", text: "$TTL 60\n$INCLUDE other\n" }, 422, "was not given"],
    [
      "#{AT}/zone",
      { source: "file", text: "$TTL 60\n$GENERATE 1-9 h$ A 192.0.2.$\n" },
      422,
      "$GENERATE is not followed"
    ],
    [
      "#{AT}/zone",
      { source: "file", text: "$TTL 60\nwww.other.test. A 192.0.2.1\n" },
      422,
      "that zone is another's"
    ],
    [
      "#{AT}/zone",
      { source: "file", text: "$TTL 60\nw CNAME x\nw A 192.0.2.1\n" },
      422,
      "beside other data"
    ],
    [
      "#{AT}/zone",
      { source: "file", text: "$TTL 60\nt TXT \"#{"x" * 70_000}\"\n" },
      422,
      "at most 255"
    ],
    ["#{AT}/zone", { source: "file", text: "" }, 422, "Nothing of"],
    ["#{AT}/zone", { source: "table", text: "nothing like a table" }, 422, "Line 1"],
    ["#{AT}/carry", { host_id: "nowhere" }, 404, "no DNS host"],
    ["#{AT}/carry", { choice: "hope" }, 422, "choice"],
    ["#{AT}/tied", { key: "ferry", state: "none" }, 404, "no such service"],
    ["/api/records/nobody.example/look", {}, 404, "not on the list"],
    ["/api/records/move-dns", { names: [], host: "cleat" }, 422, "names"],
    ["/api/hosts/nowhere/servers", { servers: ["ns1.other.test"] }, 404, "no DNS host"]
  ].freeze

  def test_each_bad_request_is_told_what_is_expected
    BAD.each do |path, body, status, part|
      got = send_to(path, **body)
      assert_equal status, got, "#{path} #{body.to_s[0, 80]}: #{last_response.body[0, 200]}"
      assert_includes answer.to_s.downcase, part.downcase, path
    end
    get "#{AT}/file?side=old"
    assert_equal 409, last_response.status, "nothing half-taken is kept"
  end

  def test_good_records_are_kept_on_request
    text =
      "$TTL 60\n@ SOA a b 1 2 3 4 5\nwww A 192.0.2.1\nbad A 192.0.2.999\nopen TXT \"x\nlast A " \
        "192.0.2.2\n"
    assert_equal 422, send_to("#{AT}/zone", source: "file", text: text)
    assert_equal 200, send_to("#{AT}/zone", source: "file", text: text, keep: true)
    copy = answer["copies"].first
    assert_equal [2, false, [4, 5]],
                 [copy["sets"], copy["complete"], copy["left"].map { |l| l["line"] }]
  end

  # How the records alone would go: nothing begins by it; a host that serves it already is refused.
  def test_a_handover_is_planned_before_it_begins
    assert_equal 200, send_to("#{AT}/plan", host: "cleat"), answer.inspect
    assert_equal ["Fairlead name servers", "Cleat Zone House", "Fairlead Names"],
                 answer.values_at("from", "to", "registrar")
    assert_equal(%w[switch-ns], answer["steps"].map { |s| s["id"] } & %w[switch-ns order landed])
    assert_equal 0, world.app.moves.open_count
    assert_equal 409, send_to("#{AT}/plan", host: "fairlead-dns")
    assert_equal 404, send_to("#{AT}/plan", host: "nowhere")
    assert_equal 422, send_to("#{AT}/plan", to: "cleat")
  end
end
