# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

class HouseKeepingTest < Minitest::Test
  include SignedIn

  ADA = Practice::DeskSide::Desk::EMAIL

  # path and body that only an administrator may send
  RESERVED = {
    "/api/accounts" => {
      title: "X",
      registrar: "X",
      kind: "by_hand"
    },
    "/api/accounts/orlop" => {
      title: "X"
    },
    "/api/accounts/orlop/remove" => {
    },
    "/api/hosts" => {
      title: "X",
      name_servers: ["ns.x.example"]
    },
    "/api/hosts/lanternroom" => {
      title: "X"
    },
    "/api/hosts/lanternroom/remove" => {
    },
    "/api/settings" => {
      key: "outgoing",
      value: nil
    },
    "/api/mailboxes" => {
      host: "imap.example",
      port: 993,
      login: "a",
      password: "b"
    },
    "/api/people" => {
      email: "x@y.example",
      role: "viewer"
    },
    "/api/people/1" => {
      role: nil
    }
  }.freeze

  def test_what_is_the_administrators_is_refused_to_others
    house.people.put("mo@saltern-office.example", "mover-of-names-27", role: "mover")
    sign_in("mo@saltern-office.example", "mover-of-names-27")
    RESERVED.each { |path, body| assert_equal 403, send_to(path, **body), path }
    %w[/api/settings /api/people /api/accounts/orlop].each do |path|
      assert_equal 403, get(path).status, path
    end
    assert_equal 404, send_to("/api/moves/1/look"), "a mover may look, and there is no such move"
    assert_equal 403, send_to("/api/moves/1/approve"), "a mover may not approve"
  end

  def test_the_last_administrator_stays_one
    sign_in
    id = world.app.db[:people].get(:id)
    [{ role: nil }, { role: "viewer" }].each do |body|
      assert_equal 422, send_to("/api/people/#{id}", **body)
      assert_includes answer["detail"], "only administrator"
    end
    house.people.put("second@y.example", "second-of-two-27", role: "administrator")
    assert_equal 200, send_to("/api/people/#{id}", role: "viewer")
    assert_equal(
      401,
      send_to("/api/people", email: "z@y.example", role: "viewer"),
      "the change holds at once"
    )
  end

  # Settings: what is sent => part of the refusal
  BAD_SETTINGS = {
    ["rdap_bases", { "example" => "ftp://x" }] => "not a base URL",
    ["dns_servers", { "ns1.x" => "nowhere" }] => "not host:port",
    ["outgoing", { "host" => "x" }] => "port and from",
    ["colour", { "x" => "y" }] => "not a setting"
  }.freeze

  def test_settings
    sign_in
    BAD_SETTINGS.each do |(key, value), says|
      assert_equal 422, send_to("/api/settings", key: key, value: value)
      assert_includes answer["detail"], says
    end
    mail = { host: "127.0.0.1", port: 1, from: "a@b.example", login: "x", password: "tell-nobody" }
    assert_equal 200, send_to("/api/settings", key: "outgoing", value: mail)
    refute_includes kept, "tell-nobody"
    assert_equal 200, send_to("/api/settings", key: "outgoing", value: nil)
    assert_empty answer["set_here"]
  end

  def kept = Dir[File.join(world.folder, "desk", "*")].map { |f| File.binread(f) }.join

  BOX = { host: "127.0.0.1", port: 143, login: "x", password: "tell-nobody" }.freeze

  # what is otherwise than in BOX => part of the refusal
  BAD_BOXES = {
    { port: 0 } => "a port",
    { host: "" } => "a host",
    { login: " " } => "a sign-in",
    { host: "imap.example", tls: "no" } => "this machine only",
    { tls: "perhaps" } => "no way to encrypt",
    { ids: ["post own/example"] } => "names of hosts"
  }.freeze

  # A mailbox is a row of its own: any number of them, each with what its own server is called.
  def test_mailboxes
    sign_in
    BAD_BOXES.each do |odd, says|
      assert_equal 422, send_to("/api/mailboxes", **BOX, **odd), odd
      assert_includes answer["detail"], says
    end
    6.times { |i| assert_equal 200, send_to("/api/mailboxes", **BOX, login: "box #{i}", tls: "no") }
    last = answer["mailboxes"].last
    at = "/api/mailboxes/#{last["id"]}"
    assert_equal [7, "box 5", [], false],
                 [answer["mailboxes"].size, *last.values_at("login", "ids", "trusting")]
    assert_equal 200, send_to(at, ids: %w[post.own.example mx2.own.example], trusting: true)
    assert_equal [%w[post.own.example mx2.own.example], true, 143],
                 answer["mailboxes"].last.values_at("ids", "trusting", "port")
    assert_equal 422, send_to(at, port: 0)
    assert_equal 200, send_to(at, port: 144)
    box = world.app.inboxes.find(last["id"])
    assert_equal ["tell-nobody", 144],
                 box.endpoint.values_at(:password, :port),
                 "what isn't given stays"
    assert_equal 200, delete(at) && last_response.status
    assert_equal 6, answer["mailboxes"].size
    assert_equal 404, send_to(at, port: 1)
    refute_includes last_response.body + kept, "tell-nobody"
    file = answer && get("/api/settings") && answer["mailboxes"].first
    assert file["of_file"], "the configuration file's"
  end

  def test_behind_a_proxy_with_tls_the_cookie_is_secure
    header "X-Forwarded-Proto", "https"
    assert_match(/; secure/, get("/api/session").headers["set-cookie"].to_s)
    assert_match(/max-age=31536000/, last_response.headers["strict-transport-security"])
    header "X-Forwarded-Proto", nil
    clear_cookies
    refute_match(/; secure/, get("/api/session").headers["set-cookie"].to_s)
  end

  def test_status_says_who_was_heard_and_what_went_wrong
    sign_in
    world.start("isles-timetable.example", to: "orlop")
    world.link.fault("away-tarnbeck", "on")
    world.runner.pass
    get "/api/status"
    assert_equal [true, 1, [false, true]],
                 [
                   answer["journal_whole"],
                   answer["open_moves"],
                   answer["connections"]
                     .select do |c| ["Tarnbeck Names", "Orlop Domain Desk"].include?(c["title"]) end
                     .map do |c| c["well"] end
                     .sort_by(&:to_s)
                 ]
    assert_equal "isles-timetable.example", answer["problems"].first["name"]
    assert_equal [200, "alive\n"], [get("/healthz").status, last_response.body]
    assert_match(/\A\h{12}\z/, get("/api/names").headers["x-request-id"])
  end

  # What a person lets happen in the practice world stands on the Desk and in the Post at once.
  def test_a_stranger_and_a_forger
    sign_in
    assert_equal 200, send_to("/api/practice/happenings", id: "forgery")
    get "/api/post"
    forged = answer["messages"].find { |m| m["subject"].start_with?("Action needed") }
    assert_equal %w[doubtful notices@tarnbeck.example], forged.values_at("trust", "sender")
    assert_empty world.app.codes.all_live
    assert_equal 200, send_to("/api/practice/happenings", id: "stranger")
    assert_equal(
      ["nightboat-saltern.example"],
      get("/api/desk") && answer["strays"].map { |s| s["name"] }
    )
    get "/api/names/nightboat-saltern.example"
    assert_equal "blocked", answer.dig("gate", "kind"), "its record was looked up"
    assert_equal ["open", true],
                 answer["stray"].values_at("state", "refusable"),
                 "the alarm stands on its sheet"
    world.driver.move_on(to: world.app.now + 600)
    get "/api/post"
    notice = answer["messages"].find { |m| m["kind"] == "approval-request" }
    assert_equal ["open", nil, []],
                 [
                   notice.dig("stray", "state"),
                   notice["link"],
                   notice["links"].select { |l| l["role"] == "approve" }
                 ],
                 "what nobody ordered is not offered to be approved"
    assert_equal 409, send_to("/api/practice/happenings", id: "stranger")
    assert_equal 422, send_to("/api/strays/nightboat-saltern.example/expected", ordered_by: "")
    assert_equal [200, "expected"],
                 [
                   send_to(
                     "/api/strays/nightboat-saltern.example/expected",
                     ordered_by: "Ms Shoal"
                   ),
                   answer["strays"].first["state"]
                 ]
    assert_equal [200, "open"],
                 [
                   send_to("/api/strays/nightboat-saltern.example/unexpected"),
                   answer["strays"].first["state"]
                 ]
    assert_equal [200, []],
                 [send_to("/api/strays/nightboat-saltern.example/refuse"), answer["strays"]]
    get "/api/names/nightboat-saltern.example"
    assert_equal "ready", answer.dig("gate", "kind"), "and once more when it was refused"
    assert_equal 422, send_to("/api/practice/happenings", id: "flood")
  end
end

class FirstRunTest < Minitest::Test
  include SignedIn

  def setup
    super
    world.app.db[:people].delete
    take_token
  end

  def test_the_first_administrator_needs_the_word_and_there_is_only_one
    assert answer["first_run"]
    word = house.first_run.token
    assert_equal 24, word.delete("-").size
    assert_equal 409,
                 send_to(
                   "/api/first-run",
                   word: "wrong-wrong-wrong",
                   email: "a@b.example",
                   password: "long-enough-now"
                 )
    assert_equal 422,
                 send_to("/api/first-run", word: word, email: "nobody", password: "long-enough-now")
    assert_equal 201,
                 send_to(
                   "/api/first-run",
                   word: word,
                   email: "a@b.example",
                   password: "long-enough-now"
                 )
    assert_equal 409,
                 send_to(
                   "/api/first-run",
                   word: word,
                   email: "c@d.example",
                   password: "long-enough-now"
                 )
    assert_equal 200, sign_in("a@b.example", "long-enough-now")
    refute answer["first_run"]
  end

  def test_the_word_ends_after_an_hour
    now = 0
    first = SteadyMove::Web::FirstRun.new(house.people, clock: -> { now })
    now = 3601
    says =
      assert_raises(SteadyMove::Desk::Refused) do
        first.administrator(first.token, "a@b.example", "long-enough-now")
      end
    assert_match(/held for an hour/, says.message)
    now = 3600
    assert first.administrator(first.token, "a@b.example", "long-enough-now")
  end
end
