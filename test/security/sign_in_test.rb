# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/some_people"

# Signing in: alike for everybody, slow for whoever guesses, written down (OWASP ASVS 4.0, 2.2 and
# 7.1).
class SignInSecurityTest < Minitest::Test
  include SomePeople

  # A try at signing in => the answer, for somebody who is here and somebody who isn't.
  def test_sign_in_answers_alike
    answers =
      [ADA, "nobody@y.example", "", "a@b", "x" * 254].map do |email|
        [sign_in(email, WRONG), *send_and_read(email)]
      end
    assert_equal 1, answers.uniq.size, answers.inspect
  end

  def send_and_read(email)
    post "/api/sign-in", { email: email, password: WRONG }.to_json
    [last_response.body, last_response.headers.keys.sort - %w[set-cookie]]
  end

  # Time: the same hashes are computed, whoever is asked for.
  def test_the_same_is_computed_for_everybody
    mo
    kinds = {
      "argon2" => people.passwords.hash(MOS),
      "bcrypt" => BCrypt::Password.create(MOS, cost: 4).to_s,
      "nobody" => nil
    }
    [true, false].each do |old|
      counts =
        kinds
          .map { |_, hash| old || hash.nil? || !hash.start_with?("$2") ? computed(hash, old) : nil }
          .compact
      assert_equal 1, counts.uniq.size, counts.inspect
    end
  end

  def computed(hash, old)
    counted = Hash.new(0)
    argon2 = Argon2::Password.method(:verify_password)
    bcrypt = BCrypt::Password.method(:new)
    Argon2::Password.stub(
      :verify_password,
      ->(*a) { (counted[:argon2] += 1) && argon2.call(*a) }
    ) do
      BCrypt::Password.stub(:new, ->(*a) { (counted[:bcrypt] += 1) && bcrypt.call(*a) }) do
        people.passwords.right?(hash, WRONG, old: old)
      end
    end
    counted
  end

  # Who tries is slowed: from there, not from elsewhere, and not whoever signed in from a browser
  # before.
  def test_many_tries_slow_the_one_who_tries
    sign_in
    sign_out
    known = rack_mock_session.cookie_jar.to_hash
    clear_cookies
    from("192.0.2.1") { 5.times { assert_equal 401, sign_in(ADA, WRONG) } }
    from("192.0.2.1") { assert_equal 429, sign_in(ADA, ADAS), "the right one has to wait as well" }
    if last_response.status == 429
      assert_match(/\A\d+\z/, last_response.headers["retry-after"].to_s)
    end
    from("192.0.2.2") { assert_equal 200, sign_in(ADA, ADAS) }
    clear_cookies
    from("192.0.2.1") do
      set_cookie "#{SteadyMove::Web::Device::COOKIE}=" \
                   "#{known.fetch(SteadyMove::Web::Device::COOKIE)}"
      assert_equal 200, sign_in(ADA, ADAS), "a browser that signed in before"
    end
    clear_cookies
    from("192.0.2.3") do
      15.times { |i| assert_equal 401, sign_in("n#{i}@y.example", WRONG) }
      5.times do |i|
        assert_equal 422, send_to("/api/invitations/accept", word: "w#{i}", password: MOS)
      end
      assert_equal 429, sign_in("n99@y.example", WRONG)
    end
  end

  # Wrong tokens slow wrong tokens alone, and a session beside a token still wants its own.
  def test_wrong_tokens_are_in_nobody_elses_way
    sign_in
    send_to("/api/me/tokens", title: "nightly", role: "mover", days: 7)
    right = answer["token"]
    sign_out
    clear_cookies
    from("192.0.2.9") do
      with_token("sm_wrong") { 100.times { get "/api/desk" } }
      assert_equal 429, last_response.status
      with_token(right) { assert_equal 200, get("/api/desk").status }
      take_token
      assert_equal 200, sign_in(ADA, ADAS)
      header "X-CSRF-Token", nil
      with_token(right) { assert_equal 403, send_to("/api/moves", name: "x", to: "y") }
      clear_cookies
      with_token(right) { assert_equal 404, send_to("/api/moves", name: "x.example", to: "y") }
    end
  end

  def with_token(token)
    header "Authorization", "Bearer #{token}"
    yield
  ensure
    header "Authorization", nil
  end

  def from(address)
    header "X-Forwarded-For", address
    yield
    header "X-Forwarded-For", nil
  end

  def test_refusals_stand_in_the_log_with_their_account
    sign_in(ADA, WRONG)
    mo("viewer")
    sign_in(MO, MOS)
    send_to("/api/people", email: "x@y.example", role: "viewer")
    lines = @log.string.lines.map { |l| JSON.parse(l) }
    refused =
      lines
        .select { |l| l["status"]&.between?(400, 499) }
        .map { |l| l.values_at("path", "person", "refused") }
    assert_equal [["/api/sign-in", ADA, "wrong"], ["/api/people", MO, "role"]], refused
    refute_includes @log.string, "wrong wrong"
  end
end
