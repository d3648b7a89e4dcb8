# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Operations that do one thing or another by what is given: each way once, with what came of it.
class WaysTest < Minitest::Test
  include SignedIn

  NAMES = %w[isles-timetable.example nightboat-saltern.example harbourpass.example].freeze

  def setup
    super
    sign_in
  end

  def got(path, **query)
    get "/api/#{path}", query
    assert_equal 200, last_response.status, last_response.body[0, 300]
    answer
  end

  def sent(path, status, **given)
    assert_equal status, send_to("/api/#{path}", **given), last_response.body[0, 300]
    answer
  end

  # A page, and the one after it.
  def test_pages
    ids = NAMES.map { |name| world.start(name, to: "orlop") }
    first = got("moves", limit: 2)
    assert_equal(ids.last(2).reverse, first["moves"].map { |m| m["id"] })
    rest = got("moves", limit: 2, before: first["next"])
    assert_equal [ids.first(1), nil], [rest["moves"].map { |m| m["id"] }, rest["next"]]
    3.times { |n| kept_mail("A note on #{NAMES[n]}") }
    page = got("post", limit: 2)
    later = got("post", limit: 2, after: page["next"])
    assert_equal [2, 1, nil], [page["messages"].size, later["messages"].size, later["next"]]
  end

  def kept_mail(subject)
    raw = "From: a@b.example\r\nSubject: #{subject}\r\n\r\nNothing.\r\n"
    world.runner.post.drop(raw, by: "ada")
  end

  def test_the_practice_world
    before = world.app.now
    sent("practice/clock", 200, seconds: 60)
    assert_equal 60, world.app.now - before
    world.start(NAMES.first, to: "orlop")
    sent("practice/clock", 200)
    assert_operator world.app.now, :>, before + 60
    fault = got("practice")["offered"].first["id"]
    {
      { active: true } => "on",
      { active: true, detail: NAMES.first } => NAMES.first,
      { active: false } => nil
    }.each do |given, on|
      found = sent("practice/faults", 200, id: fault, **given)["faults"][fault]
      on ? assert_equal(on, found) : assert_nil(found)
    end
  end

  def test_without_mail
    world.app.instance_variable_set(:@sender, nil)
    world
      .app
      .stub(:mailboxes, {}) do
        assert_match(/mailbox/i, sent("post/fetch", 409)["detail"])
        assert_match(/mail/i, sent("password/forgotten", 409, email: "a@b.example")["detail"])
      end
  end

  # What somebody who may only look is told of a move: nobody to hand it to, nothing to do.
  def test_a_viewer
    id = world.start(NAMES.first, to: "orlop")
    refute_empty got("moves/#{id}/here")["people"]
    world.app.db[:people].update(role: "viewer")
    assert_equal [[], []], [got("moves/#{id}/here")["people"], got("moves/#{id}")["acts"]]
  end

  def test_so_many_pages_of_one_person
    pages =
      Array.new(40) do
        get "/api/events"
        last_response.status
      end
    assert_equal [200, 409], pages.uniq
  end

  def test_tables_with_columns
    world.app.names.drop(NAMES.last)
    table = "Until;What\n2028-02-28;#{NAMES.last}\n"
    given = { account: "tarnbeck", text: table, kinds: %w[expires_at name] }
    assert_equal %w[expires_at name], sent("names/preview", 200, **given)["kinds"]
    assert_equal 1, sent("names", 200, **given)["added"]
    noted = world.app.names.told(NAMES.last, :hand)
    assert_equal Time.utc(2028, 2, 28), noted[:expires_at]
  end

  def test_what_is_told_with_an_act
    balance = { minor: 5000, currency: "EUR" }
    sent("accounts/orlop/ready", 200, key: "balance", balance: balance)
    kept = -> { world.app.accounts.find("orlop").habits["ready"]["balance"] }
    assert_equal 5000, kept.call["minor"]
    sent("accounts/orlop/ready", 200, key: "balance")
    assert_nil kept.call
    look_for_a_stray
    sent("strays/#{NAMES.last}/safe", 200, code_set: true)
    refute_includes world.app.unrequested_transfers.concerning.map(&:state), "open"
  end

  # One that ended by itself: lock and code are left to be set.
  def look_for_a_stray
    registry = world.world.registry
    registry.domains.where(name: NAMES.last).update(statuses: '["ok"]')
    code = registry.find(NAMES.last)[:auth_info]
    look = -> { sent("names/#{NAMES.last}/look", 200) }
    registry.request_transfer("lantern", NAMES.last, code, years: 1, at: world.app.now)
    look.call
    registry.end_transfer("tarnbeck", NAMES.last, "reject", at: world.app.now)
    look.call
  end
end
