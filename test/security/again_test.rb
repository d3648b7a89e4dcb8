# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/some_people"

# What weighs much wants the password again (OWASP ASVS 4.0, 3.7.1 and 4.3.3); leaving never wants
# anything; secret addresses come from the configuration and stand in no log.
class AgainSecurityTest < Minitest::Test
  include SomePeople

  Throttle = SteadyMove::Web::Throttle

  # What asks for it: [verb, path, body].
  WEIGHTY = {
    "newToken" => ["post", "/api/me/tokens", { title: "t", role: "viewer", days: 1 }],
    "renewCalendar" => ["post", "/api/me/calendar", {}],
    "renewStatusPage" => ["post", "/api/shown/batch/1", {}],
    "forgetFactor" => ["post", "/api/people/2/forget-factor", {}],
    "passwordWord" => ["post", "/api/people/2/password-word", {}],
    "changePerson" => ["post", "/api/people/2", { role: "viewer" }],
    "limitPerson" => ["post", "/api/people/2/limit", { limit: nil }],
    "invite" => ["post", "/api/people", { email: "x@y.example", role: "viewer" }],
    "addWebhook" => ["post", "/api/webhooks", { url: "https://a.example/", types: ["done"] }],
    "askClient" => ["post", "/api/batches/1/agreements", {}],
    "namesTable" => ["get", "/api/names.csv", nil],
    "monthTable" => ["get", "/api/month-report.csv?month=2027-03", nil],
    "ledgerTable" => ["get", "/api/ledger.csv", nil],
    "closingTable" => ["get", "/api/batches/1/closing.csv", nil],
    "originalMessage" => ["get", "/api/post/1/original", nil]
  }.freeze

  def ask(verb, path, body) = verb == "get" ? get(path) : post(path, body.to_json)
  def forget = db[:sessions].update(confirmed_at: nil)

  def asked_again?
    last_response.status == 403 && answer["needs"] == "password" &&
      answer["detail"].include?("password once more")
  end

  def test_what_weighs_much_wants_the_password_again
    mo
    sign_in
    paths = house.contract.operations.select(&:confirmed).to_h { |o| [o.id, o.path] }
    assert_equal WEIGHTY.keys.sort, paths.keys.sort
    WEIGHTY.each do |id, (verb, path, body)|
      pattern = paths.fetch(id).gsub(/\{\w+\}/, "[^/]+")
      assert_match(/\A#{pattern}(\?|\z)/, path, id)
      forget
      ask(verb, path, body)
      assert_predicate self, :asked_again?, id
      confirm(ADAS)
      ask(verb, path, body)
      refute_predicate self, :asked_again?, id
    end
  end

  # It holds for five minutes, for that session, and wrong ones are slowed.
  def test_how_long_it_holds_and_for_whom
    sign_in
    held = ->(at) { db[:sessions].update(confirmed_at: at) && get("/api/names.csv").status }
    now = Time.now.to_i
    assert_equal [200, 403, 403], [now - 200, now - 301, now + 60].map(&held)
    forget
    assert_equal([*[422] * 5, 429], Array.new(6) { confirm(WRONG) })
    assert_equal 429, confirm(ADAS)
    assert_equal 403, get("/api/names.csv").status
    mo
    clear_cookies
    take_token
    assert_equal 200, sign_in(MO, MOS), "another person is not slowed by it"
    assert_equal 200, get("/api/names.csv").status
  end

  # Signing in alone is not giving it again; a token was made with it.
  def test_a_token_is_not_asked
    sign_in
    send_to("/api/me/tokens", title: "t", role: "viewer", days: 1)
    token = answer["token"]
    forget
    clear_cookies
    header "Authorization", "Bearer #{token}"
    assert_equal 200, get("/api/names.csv").status
    header "Authorization", nil
    take_token
    post "/api/sign-in", { email: ADA, password: ADAS }.to_json
    assert_equal 403, get("/api/names.csv").status
  end

  # Another password ends the tokens, but for those that are kept; a reset ends all.
  def test_tokens_that_are_kept
    sign_in
    ids =
      %w[one two].map do |title|
        send_to("/api/me/tokens", title: title, role: "viewer", days: 1)
        answer["tokens"].first["id"]
      end
    fresh = "six herons on a wall"
    assert_equal 200, send_to("/api/me/password", old: ADAS, new: fresh, keep: [ids.last, 999])
    assert_equal %w[two], db[:tokens].select_map(:title)
    word = people.password_words.make(id_of(ADA), by: ADA)
    people.password_words.use(word, "seven herons on a wall")
    assert_empty db[:tokens].all
  end

  # Nobody who wants to leave is kept: without the page's token, after many wrong codes, half way.
  def test_signing_out_is_never_refused
    mo
    db[:account_otp_keys].insert(id: id_of(MO), key: "A" * 32)
    sign_in(MO, MOS)
    8.times { send_to("/api/second-factor", otp: "000000") }
    assert_equal 429, last_response.status
    header "X-CSRF-Token", "wrong"
    assert_equal 200, send_to("/api/sign-out")
    assert_empty db[:sessions].all
    assert_equal 200, send_to("/api/sign-out"), "also whoever is out already"
  end

  # A passkey's challenge: once, its own person's, and for five minutes.
  def test_challenges
    mo
    ada, mos = [ADA, MO].map { |email| id_of(email) }
    factors = people.factors
    factors.give_challenge(ada, "first")
    factors.give_challenge(ada, "second")
    took = [[mos, "first"], [ada, "first"], [ada, "first"]].map { |a| factors.take_challenge(*a) }
    assert_equal [false, true, false], took
    db[:passkey_challenges].update(expires_at: Sequel[:expires_at] - 300)
    refute factors.take_challenge(ada, "second")
    factors.give_challenge(mos, "third")
    assert_equal 1, db[:passkey_challenges].count, "those that are over go"
    refute_includes db[:passkey_challenges].get(:digest), "third"
  end

  # A passkey is asked for a challenge that the desk gave; what was answered before is refused.
  def test_a_passkey_answers_what_was_asked
    require "webauthn/fake_client"
    mo
    sign_in(MO, MOS)
    origin = "http://example.org"
    client = WebAuthn::FakeClient.new(origin)
    set_up = ->(given) { send_to("/api/passkeys/set-up", title: "key", password: MOS, **given) }
    send_to("/api/passkeys/set-up")
    offer = answer
    made = client.create(challenge: offer.dig("webauthn_setup", "challenge"), rp_id: "example.org")
    given = { webauthn_setup: made, **offer.slice(*CHALLENGE).transform_keys(&:to_sym) }
    assert_equal [200, 422], [set_up.call(given), set_up.call(given)]
  end
  CHALLENGE = %w[webauthn_setup_challenge webauthn_setup_challenge_hmac].freeze

  # Whoever's ways in were changed is told at the address of the sign-in, once for each change; what
  # the mail server could not take is told later.
  def test_a_changed_sign_in_is_told_by_mail
    sent = []
    down = true
    sender = Struct.new(:from).new("desk@saltern-office.example")
    sender.define_singleton_method(:deliver) do |raw, to:|
      raise SteadyMove::Wire::Unreachable, "away" if down

      sent << [to, Mail.new(raw).body.decoded.force_encoding("UTF-8")]
    end
    sign_in
    people.note("password_changed", ADA)
    world.app.instance_variable_set(:@sender, sender)
    on = -> { world.driver.move_on(to: world.app.now + 120) }
    on.call
    mo
    people.change_password(id_of(MO), MOS, "marsh gate at ten")
    on.call
    assert_empty sent, "neither what was before, nor while the server is away"
    down = false
    people.change_role(id_of(MO), "viewer", by: ADA)
    people.note("signed_in", ADA)
    send_to("/api/me/tokens", title: "t", role: "viewer", days: 1)
    on.call
    told = {
      "#{MO} changed the password" => MO,
      "made #{MO} viewer" => MO,
      "#{ADA} made a token for programs" => ADA
    }
    assert_equal(told.values, sent.map { |to, _| to.first })
    told.keys.zip(sent).each { |says, (_, text)| assert_includes text, says }
    assert_includes sent.first.last, "end your other sessions and tokens"
    refute_match(/marsh gate/, sent.join)
    on.call
    assert_equal 3, sent.size, "each once"
  end

  # Made-up persons are counted apart: they push out nobody's count.
  def test_counters_stay
    throttle = Throttle.new(clock: -> { 0 })
    5.times { throttle.attempt([:pair, "192.0.2.1", ADA] => 5) { false } }
    (Throttle::KEPT + 10).times do |n|
      throttle.attempt([:made_up_pair, "192.0.2.1", n] => 5, [:made_up, n] => 95) { false }
    end
    assert_raises(Throttle::TooMany) { throttle.attempt([:pair, "192.0.2.1", ADA] => 5) { true } }
  end

  def test_whoever_is_made_up_is_slowed_just_so
    [ADA, "nobody@y.example"].each do |email|
      clear_cookies
      from(email.length.to_s) do
        assert_equal [*[401] * 5, 429], Array.new(6) { sign_in(email, WRONG) }, email
      end
    end
  end

  def from(place)
    env "REMOTE_ADDR", "192.0.2.#{place}"
    yield
  ensure
    env "REMOTE_ADDR", "127.0.0.1"
  end

  # Addresses come from the configuration, whatever a request calls the host; the log knows neither
  # them nor what is behind a path that is served elsewhere.
  def test_secret_addresses
    sign_in
    header "Host", "evil.test"
    send_to("/api/me/calendar")
    own = answer["address"]
    assert_equal "#{house.address}/api/calendar", own.rpartition("/").first
    id = world.start("isles-timetable.example", to: "orlop")
    send_to("/api/shown/move/#{id}")
    shared = answer["address"]
    assert_equal "#{house.address}/api/status", shared.rpartition("/").first
    secrets = [own, shared].map { |address| address.split("/").last }
    secrets
      .zip(%w[calendar status])
      .each do |secret, kind|
        [
          "/api/#{kind}/#{secret}",
          "/desk/api/#{kind}/#{secret}",
          "/api//#{kind}/#{secret}"
        ].each { |p| get p }
      end
    secrets.each { |secret| refute_includes @log.string, secret }
    [own, shared].each do |address|
      assert_includes get(URI(address).path).headers["cache-control"], "no-store"
    end
    assert_equal 8, @log.string.scan(%r{api/+(?:calendar|status)/+…}).size
  end

  # The mark of a browser that a person knows goes where the sign-in is.
  def test_the_mark_of_a_browser_follows_the_path
    headers = {}
    SteadyMove::Web::Device.new("s", path: "/desk").mark(headers, 1)
    assert_includes headers["set-cookie"].to_s, "path=/desk/api/sign-in"
  end
end
