# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require "csv"
require "nokogiri"

# The list to take along and the report to print.
class ListingsTest < Minitest::Test
  include SignedIn

  def test_the_judged_list_as_a_table
    sign_in
    get "/api/names.csv?gate=wait,blocked&sort=name"
    assert_match(
      /attachment; filename="names-2027-03-01\.csv"/,
      last_response.headers["content-disposition"]
    )
    rows = CSV.parse(last_response.body, headers: true)
    assert_equal(
      %w[kelpquay.example northskerry-line.example tern-island-cruises.example],
      rows.map { |r| r["name"] }
    )
    assert_equal(
      [
        "wait",
        "2027-03-20T08:00:00Z",
        "new-name locked dns-leaves",
        "2027-03-20T08:00:00Z",
        "on",
        "15.00",
        "EUR"
      ],
      rows
        .first
        .values_at(
          "gate",
          "clears at",
          "reasons",
          "earliest start",
          "transfer lock",
          "a year here",
          "currency"
        )
        .map do |v|
          v.split.sort == %w[dns-leaves locked new-name] ? "new-name locked dns-leaves" : v
        end
    )
    assert_nil rows[2]["earliest start"]
    get "/api/names.csv?at=2027-05-01T08:00:00Z&names=kelpquay.example"
    assert_equal(["needs"], CSV.parse(last_response.body, headers: true).map { |r| r["gate"] })
  end

  # What is switched on at the account, as it is known: on, off, or nothing where nobody knows.
  def test_lock_privacy_and_renewal_by_column
    notes = SteadyMove::Desk::Portfolio::Notes.new(world.app)
    known = { "kelpquay.example" => true, "northskerry-line.example" => false }
    known.each do |name, on|
      %w[privacy auto_renew].each { |key| notes.put(name, key, on, by: "ada") }
    end
    sign_in
    %w[privacy auto_renew].each do |column|
      get "/api/names?sort=#{column}&limit=500"
      values = answer["names"].map { |n| n[column] }
      assert_equal values.sort_by { |v| [false, true, nil].index(v) }, values, "off, on, not known"
      assert_includes values, false
      get "/api/names?sort=-#{column}&limit=500"
      assert_equal values.tally, answer["names"].map { |n| n[column] }.tally
    end
    get "/api/names.csv?names=#{known.keys.join(",")}&sort=name"
    rows = CSV.parse(last_response.body, headers: true)
    assert_equal(
      [%w[on on], %w[off off]],
      rows.map { |r| r.values_at("privacy service", "auto-renew") }
    )
  end

  OF_CLIENTS =
    "Domain;Client\nkelpquay.example;Pier & Sons\nnorthskerry-line.example;pier & sons\n" \
      "tern-island-cruises.example;Ärmel Fähren\n"

  # For whom a name is held: from a column, as a filter, in an order and in groups, in a search, in
  # the table to take along; where there is none, the list is as it was.
  def test_clients
    sign_in
    get "/api/names?limit=1"
    assert_empty answer["clients"]
    send_to("/api/names", text: OF_CLIENTS)
    assert_equal [3, true], answer.values_at("updated", "finished")
    get "/api/names?group=client&limit=500&sort=name"
    assert_equal ["pier & sons", "Pier & Sons", "Ärmel Fähren", ""].sort,
                 answer["groups"].map { |g| g["title"] }.sort
    assert_equal "", answer["groups"].last["title"], "those without a client come last"
    {
      "client=#{CGI.escape("Pier & Sons")}" => %w[kelpquay.example],
      "q=#{CGI.escape("fähren")}" => %w[tern-island-cruises.example],
      "sort=client&limit=1" => %w[kelpquay.example]
    }.each do |asked, names|
      get "/api/names?#{asked}"
      assert_equal names, answer["names"].map { |n| n["name"] }, asked
    end
    get "/api/names.csv?names=kelpquay.example"
    assert_equal ["Pier & Sons"], CSV.parse(last_response.body, headers: true)["client"]
  end

  def test_what_somebody_typed_is_no_formula_and_no_markup
    world.app.accounts.put(
      world.app.accounts.find("tarnbeck").dup.tap { |a| a.title = "=HYPERLINK(\"x\") <b>Tarn</b>" }
    )
    sign_in
    get "/api/names.csv?names=kelpquay.example"
    assert_equal "'=HYPERLINK(\"x\") <b>Tarn</b>",
                 CSV.parse(last_response.body, headers: true).first["account"]
    get "/api/names/report?names=kelpquay.example"
    refute_includes last_response.body, "<b>Tarn"
    assert_includes last_response.body, "&lt;b&gt;Tarn"
  end

  def test_the_report
    sign_in
    get "/api/names/report?at=2027-03-10T08:00:00Z"
    assert_equal [200, "text/html"], [last_response.status, last_response.media_type]
    page = Nokogiri.HTML5(last_response.body)
    assert_equal 12, page.css("section").size
    assert_empty page.css("script, [style], [onclick]")
    quay = page.css("section").find { |s| s.at("h2").text == "kelpquay.example" }
    assert_includes quay.text.gsub(/\s+/, " "), "Wait until 20 Mar 2027, 08:00 UTC."
    assert_equal 3, quay.css("rect").map { |r| r["fill"] }.uniq.size
    assert_no_slugs(page.text)
    closed = quay.css("rect").find { |r| r["fill"].start_with?("url") }
    assert_in_delta 16, closed["width"].to_f, 0.2, "ten of 400 days on a ruler of 640"
    many =
      Array.new(501) do |i|
        { name: "n#{i}.example", unicode: "n#{i}.example", account_id: "tarnbeck", taken_at: 0 }
      end
    world.app.db[:names].multi_insert(many)
    get "/api/names/report"
    assert_equal [422, true], [last_response.status, answer["detail"].include?("at most 500 names")]
  end

  def test_the_list_tells_how_far_it_is_while_it_works
    sign_in
    world
      .app
      .portfolio
      .define_singleton_method(:snapshots) do |**|
        [SteadyMove::Desk::Portfolio::Holdings::Working.new(done: 7, of: 40), nil]
      end
    get "/api/names"
    assert_equal [202, { "working" => { "done" => 7, "of" => 40 } }], [last_response.status, answer]
  end

  # A message stands on top for as long as its move waits for it, and no longer.
  def test_the_post_says_what_wants_an_answer
    sign_in
    id = world.start("isles-timetable.example", to: "orlop")
    asking = -> do
      get("/api/post") && answer["messages"].select { |m| m["wants_answer"] }.map { |m| m["kind"] }
    end
    assert_empty asking.call
    world.until_true do
      world.move(id).state["release"].active? &&
        world.app.messages.all.any? { |m| m.kind == "approval-request" }
    end
    assert_equal %w[approval-request], asking.call
    world.orders.approve(id, by: "ada")
    assert_empty asking.call
    world.until_true { !world.move(id).open }
    assert_empty asking.call
  end

  def test_a_page_of_the_list
    sign_in
    get "/api/names?sort=name&offset=10&limit=5&group=gate"
    assert_equal [12, 12, 10, 2],
                 [answer["total"], answer["held"], answer["offset"], answer["names"].size]
    assert_equal [{ "minor" => 18_000, "currency" => "EUR" }], answer["stay"]
    get "/api/names?at=2027-04-15T08:00:00Z&changed=true&sort=name"
    assert_equal(
      [%w[kelpquay.example wait], %w[northskerry-line.example wait]],
      answer["names"].map { |n| n.values_at("name", "was") }
    )
    get "/api/names/kelpquay.example?to=orlop"
    assert_equal(
      ["orlop", 902, 598],
      answer["go"].then { |g| [g["account_id"], g["total"]["minor"], g["saves"]["minor"]] }
    )
    get "/api/names/kelpquay.example?to=nowhere"
    assert_equal 422, last_response.status
  end

  # Each row says in a few words why its gate stands as it does.
  def test_rows_say_why
    sign_in
    all = list("limit=100").to_h { |n| [n["name"], n] }
    {
      "kelpquay.example" => "newly registered",
      "tern-island-cruises.example" => "held by the registry",
      "isles-timetable.example" => nil
    }.each { |name, why| assert_equal [why], [all[name]&.fetch("why")], name if all[name] }
    waiting = all.values.select { |n| %w[needs wait blocked unknown].include?(n["gate"]["kind"]) }
    assert_operator waiting.size, :>=, 4
    assert_empty(waiting.reject { |n| n["why"] })
    assert_empty(all.values.select { |n| n["gate"]["kind"] == "ready" && n["why"] })
    hold("saltern-new.example")
    fresh = list("q=saltern-new").first
    assert_equal ["unknown", "not looked up yet"], [fresh["gate"]["kind"], fresh["why"]]
  end

  # A name is found however it is spelt: within a URL, as an A-label, without its umlauts.
  def test_names_are_found_in_any_spelling
    sign_in
    hold("xn--fhre-saltern-kcb.example")
    %w[https://www.Kelpquay.example/a?b=c kelpquay.example. kelpquay.example:443].each do |q|
      found = list("q=#{CGI.escape(q)}").map { |n| n["name"] }
      assert_equal %w[kelpquay.example], found, q
    end
    %w[fähre-saltern faehre-saltern fahre-saltern xn--fhre FÄHRE].each do |q|
      found = list("q=#{CGI.escape(q)}").map { |n| n["unicode"] }
      assert_includes found, "fähre-saltern.example", q
    end
  end

  # How one looks at a list is kept for the person, on every machine, and only for that person.
  def test_views_are_kept_for_the_person
    sign_in
    assert_equal({}, views)
    names = { columns: %w[dns seen], dense: true, filters: "gate=needs&sort=-expiry" }
    send_to("/api/me/views", names: names)
    send_to("/api/me/views", desk: { mine: true })
    kept = { "names" => JSON.parse(JSON.generate(names)), "desk" => { "mine" => true } }
    assert_equal kept, views
    assert_equal 422, send_to("/api/me/views", names: { columns: %w[price] })
    assert_equal kept, views, "what is refused changes nothing"
    password = "a tide table of nineteen27"
    house.people.put("ben@saltern-office.example", password, role: "viewer")
    sign_out
    sign_in("ben@saltern-office.example", password)
    assert_equal({}, views)
  end

  private

  def hold(name)
    world.app.names.put(Core::Names::DomainName.held(name), "tarnbeck", at: world.app.now)
  end

  def list(query)
    get "/api/names?#{query}"
    answer["names"]
  end

  def views
    get "/api/session"
    answer["views"]
  end

  # Rules are called by their titles, here and in a plan.
  def assert_no_slugs(text)
    slugs = world.app.rulebook.entries.keys.grep(/-/)
    said =
      world
        .app
        .names
        .all
        .first(8)
        .flat_map { |n| world.plan(n[:name], to: "orlop").cautions.map(&:says) }
    found =
      slugs.select { |id| [text, *said].any? { |t| t.to_s.match?(/(?<![\w-])#{id}(?![\w-])/) } }
    assert_empty found, "rules by their keys"
  end
end
