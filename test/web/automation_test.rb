# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require_relative "../support/command_line"
require "socket"
require "puma"
require "puma/server"

# Tokens, webhooks, notices by mail, and the command line against a running desk.
class AutomationTest < Minitest::Test
  include SignedIn
  include CommandLine

  ME = "ada@saltern-office.example"
  NAME = "isles-timetable.example"

  def setup
    super
    sign_in
  end

  def token(role: "mover", days: 7)
    send_to("/api/me/tokens", title: "nightly", role: role, days: days)
    answer["token"]
  end

  def as(token)
    clear_cookies
    header "X-CSRF-Token", nil
    header "Authorization", "Bearer #{token}"
  end

  def test_a_token_does_what_its_role_may_until_it_ends
    mine = token
    refute_includes @log.string, mine
    assert_empty world.app.db[:tokens].where(Sequel.like(:token_digest, "%#{mine[8, 20]}%")).all,
                 "kept as a digest"
    refute_includes (get("/api/me/tokens") && last_response.body), mine
    as(mine)
    assert_equal 201, send_to("/api/moves", name: NAME, to: "orlop")
    assert_equal ME, world.move(answer["id"]).events.first.by
    {
      %w[get /api/me] => 403,
      %w[post /api/me/tokens] => 403,
      %w[get /api/people] => 403,
      ["post", "/api/moves/#{answer["id"]}/approve"] => 403,
      %w[get /api/names] => 200
    }.each do |(verb, path), status|
      public_send(verb, path, *(verb == "post" ? ["{}"] : []))
      assert_equal status, last_response.status, "#{verb} #{path}"
    end
    world.driver.move_on(to: world.app.now + (8 * 86_400))
    get "/api/names"
    assert_equal 401, last_response.status, "it is over"
    as("steady-none")
    get "/api/names"
    assert_equal 401, last_response.status
  end

  # [role, days] => is such a token made?
  LIVES = { ["mover", 90] => true, ["mover", 91] => false, ["administrator", 366] => true }.freeze

  def test_how_long_a_token_holds_and_that_it_ends_with_the_password
    people = world.desk.instance_variable_get(:@people)
    LIVES.each do |(role, days), made|
      email = "bo-#{days}@saltern-office.example"
      people.put(email, "a long enough sentence", role: role)
      bo = people.by_email(email)
      make = -> { house.tokens.make(bo, title: "nightly", role: "mover", days: days) }
      next assert_raises(SteadyMove::Desk::Refused, &make) unless made

      token = make.call
      refute_nil house.tokens.person(token)
      people.change_password(bo[:id], "a long enough sentence", "eleven grey herons")
      assert_nil house.tokens.person(token), "whoever knew the password may have made it"
    end
  end

  # Whoever is removed leaves no way in behind: no token, no calendar, no mail.
  def test_who_is_removed_leaves_nothing_behind
    people = world.desk.instance_variable_get(:@people)
    people.put("bo@saltern-office.example", "a long enough sentence", role: "mover")
    bo = people.by_email("bo@saltern-office.example")
    mine = house.tokens.make(bo, title: "nightly", role: "mover", days: 7)
    calendar = SteadyMove::Desk::Automation::Calendars.new(world.app).renew(bo[:id], by: bo[:email])
    SteadyMove::Desk::Automation::Notices.new(world.app).choose(
      bo[:id],
      choice: "daily",
      hour: 7,
      by: bo[:email]
    )
    assert_equal 200, send_to("/api/people/#{bo[:id]}", role: nil)
    get "/api/calendar/#{calendar}"
    assert_equal 404, last_response.status
    assert_empty(
      %i[tokens calendars notices].reject { |t| world.app.db[t].where(person_id: bo[:id]).empty? }
    )
    as(mine)
    get "/api/names"
    assert_equal 401, last_response.status
  end

  # what is asked => a part of the sentence
  BAD = {
    { title: " ", role: "mover", days: 7 } => "name",
    { title: "a", role: "mover", days: 367 } => "days",
    { title: "a", role: "owner", days: 7 } => "role"
  }.freeze

  def test_tokens_that_are_not_made
    BAD.each do |body, says|
      assert_equal [422, true], [send_to("/api/me/tokens", **body), answer["detail"].include?(says)]
    end
    world
      .desk
      .instance_variable_get(:@people)
      .put("bo@saltern-office.example", "a long enough sentence", role: "viewer")
    sign_out
    sign_in("bo@saltern-office.example", "a long enough sentence")
    assert_equal 422,
                 send_to("/api/me/tokens", title: "a", role: "mover", days: 7),
                 "no more than the person may"
  end

  # A small server that keeps what is posted; status: what it answers.
  def with_hook(status)
    server = TCPServer.new("127.0.0.1", 0)
    kept = []
    thread =
      Thread.new do
        while (client = server.accept)
          lines = []
          lines << client.gets until lines.last == "\r\n"
          length = lines.filter_map { |l| l[/\Acontent-length: (\d+)/i, 1] }.first.to_i
          kept << [lines.map(&:chomp), client.read(length)]
          client.write(
            "HTTP/1.1 #{status.call} x\r\nContent-Length: 0\r\nConnection: close\r\n\r\n"
          )
          client.close
        end
      rescue IOError
        nil
      end
    yield "http://127.0.0.1:#{server.addr[1]}/in", kept
  ensure
    server.close
    thread.join
  end

  def test_lines_are_told_signed_and_in_order
    answers = [500, 200]
    with_hook(-> { answers.size > 1 ? answers.shift : answers.first }) do |url, kept|
      assert_equal 422, send_to("/api/webhooks", url: "ftp://x.example/", types: ["planned"])
      assert_equal 200, send_to("/api/webhooks", url: url, types: %w[planned done])
      secret = answer["secret"]
      world.start(NAME, to: "orlop")
      world.runner.pass
      get "/api/webhooks"
      assert_equal(
        [1, true],
        answer["hooks"].first.then { |h| [h["fails"], h["says"].include?("500")] }
      )
      world.driver.move_on(to: world.app.now + 120)
      told = kept.map { |_, body| JSON.parse(body) }
      assert_equal "planned", told.first["type"]
      assert_equal told.map { |t| t["seq"] }.uniq.sort,
                   told.map { |t| t["seq"] }.drop(1),
                   "the first was told again, in order"
      assert_equal %w[done planned], told.map { |t| t["type"] }.uniq.sort
      head, body = kept.last
      fields =
        head.drop(1).reject(&:empty?).to_h { |l| l.split(": ", 2) }.transform_keys(&:downcase)
      input = fields["signature-input"].delete_prefix("steady=")
      base = [
        "\"@method\": POST",
        "\"@target-uri\": #{url}",
        "\"content-digest\": #{fields["content-digest"]}",
        "\"content-type\": application/json",
        "\"@signature-params\": #{input}"
      ].join("\n")
      assert_equal [OpenSSL::HMAC.digest("SHA256", secret, base)].pack("m0"),
                   fields["signature"][/:(.+):/, 1]
      assert_equal [Digest::SHA256.digest(body)].pack("m0"), fields["content-digest"][/:(.+):/, 1]
      codes = world.world.registry.domains.select_map(:auth_info)
      assert_empty(codes.select { |c| kept.join.include?(c) })
    end
  end

  # Whatever a webhook was made for, a transfer that nobody here ordered is told.
  def test_no_webhook_is_silent_about_a_stray
    with_hook(-> { 200 }) do |url, kept|
      assert_equal 200, send_to("/api/webhooks", url: url, types: %w[planned])
      world.app.journal.add(
        "stray",
        at: world.app.now,
        by: "desk",
        name: NAME,
        says: "somebody asked"
      )
      world.app.journal.add("watched", at: world.app.now, by: "desk", name: NAME, says: "looked at")
      world.runner.pass
      assert_equal(%w[stray], kept.map { |_, body| JSON.parse(body)["type"] })
    end
  end

  # The command line over a real server.
  def test_the_command_line_asks_a_running_desk
    mine = token
    server = Puma::Server.new(app, nil, { min_threads: 1, max_threads: 4 })
    port = server.add_tcp_listener("127.0.0.1", 0).addr[1]
    server.run
    with_environment(
      "STEADY_MOVE_DESK" => "http://127.0.0.1:#{port}",
      "STEADY_MOVE_TOKEN" => mine
    ) do
      status, lines, = run_words("desk", "list")
      assert_equal [0, true], [status, lines.map { |l| JSON.parse(l)["name"] }.include?(NAME)]
      status, lines, = run_words("desk", "plan", NAME, "--to", "orlop")
      assert_equal [0, true], [status, JSON.parse(lines.first)["startable"]]
      status, lines, = run_words("desk", "start", NAME, "--to", "orlop")
      id = JSON.parse(lines.first)["id"]
      assert_equal 0, status
      world.orders.call_off(id, by: ME)
      world.until_true(most: 200, what: "its end") { !world.move(id).open }
      status, lines, = run_words("desk", "follow", id.to_s)
      assert_equal [1, "Cancelled"], [status, JSON.parse(lines.last)["stage"]]
      assert_equal 1, run_words("desk", "judge", "nobody.example").first
      assert_equal 2, run_words("desk", "dance").first
    end
    assert_equal 2, run_words("desk", "list").first, "without a token"
  ensure
    server&.stop(true)
  end

  private

  def with_environment(values)
    before = values.keys.to_h { |k| [k, ENV.fetch(k, nil)] }
    ENV.update(values)
    yield
  ensure
    ENV.update(before)
  end
end
