# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../practice/practice"

# The practice registry keeps to RFC 5731 §3.2.4 and RFC 5730 §3's result codes; periods are common
# practice.
class RegistryTest < Minitest::Test
  Refusal = Practice::Refusal
  AT = Time.utc(2027, 3, 1, 8)
  DAY = 86_400

  def setup
    @db = Practice::Database.open(":memory:")
    @agenda = Practice::Agenda.new(@db)
    @registry = Practice::Registry.new(@db, @agenda, random: Random.new(1))
    @registry.add(
      name: "ferry.example",
      roid: "D1-PRAC",
      sponsor: "losing",
      created_at: (AT - (400 * DAY)).to_i,
      expires_at: (AT + (30 * DAY)).to_i,
      statuses: '["ok"]',
      name_servers: "[]",
      ds: "[]",
      auth_info: "right-code",
      updated_at: AT.to_i
    )
  end

  def request(client: "gaining", auth: "right-code", years: 1, at: AT)
    @registry.request_transfer(client, "ferry.example", auth, years: years, at: at)
  end

  def status(*list) = @registry.domains.update(statuses: list.to_json)
  def code(&) = assert_raises(Refusal, &).code

  # what stands in the way => result code
  REFUSED = [
    [2202, { auth: "wrong" }, nil],
    [2202, { auth: nil }, nil],
    [2106, { client: "losing" }, nil],
    [2304, {}, ["clientTransferProhibited"]],
    [2304, {}, ["serverTransferProhibited"]],
    [2300, {}, ["pendingTransfer"]]
  ].freeze

  def test_requests_that_are_refused
    REFUSED.each do |expected, words, statuses|
      status(*(statuses || ["ok"]))
      assert_equal(expected, code { request(**words) })
    end
    status("ok")
    @registry.domains.update(created_at: (AT - (60 * DAY) + 1).to_i)
    assert_equal(2106, code { request })
    @registry.domains.update(created_at: (AT - (60 * DAY)).to_i)
    assert_equal "pending", request[:status]
    assert_equal(2303, code { @registry.info("losing", "none.example") })
  end

  # act, by whom => how it ends and who holds the name then
  ENDS = [
    %w[approve losing clientApproved gaining],
    %w[reject losing clientRejected losing],
    %w[cancel gaining clientCancelled losing]
  ].freeze

  def test_how_a_transfer_ends
    ENDS.each do |act, by, ending, sponsor|
      request
      other = by == "losing" ? "gaining" : "losing"
      assert_equal(2201, code { @registry.end_transfer(other, "ferry.example", act, at: AT) })
      assert_equal ending, @registry.end_transfer(by, "ferry.example", act, at: AT)[:status]
      assert_equal(2301, code { @registry.end_transfer(by, "ferry.example", act, at: AT) })
      row = @registry.find("ferry.example")
      assert_equal [sponsor, ["ok"]], row.values_at(:sponsor, :statuses)
      reset
    end
  end

  def reset
    @registry.domains.update(
      sponsor: "losing",
      transferred_at: nil,
      auth_info: "right-code",
      expires_at: (AT + (30 * DAY)).to_i
    )
  end

  def test_silence_is_approval_and_adds_a_year
    id = request[:id]
    assert_equal (AT + (5 * DAY)).to_i, @agenda.coming("silence").first.at.to_i
    @registry.silence(id, at: AT + (5 * DAY))
    row = @registry.find("ferry.example")
    assert_equal ["gaining", Time.utc(2028, 3, 31, 8).to_i], row.values_at(:sponsor, :expires_at)
    refute_equal "right-code", row[:auth_info], "the code is spent"
    @registry.silence(id, at: AT + (6 * DAY))
    assert_equal "serverApproved", @registry.query("losing", "ferry.example")[:status]
  end

  def test_the_code_is_shown_to_the_sponsor_or_to_who_has_it
    assert_equal "right-code", @registry.info("losing", "ferry.example")[:auth_info]
    assert_nil @registry.info("gaining", "ferry.example")[:auth_info]
    assert_equal "right-code",
                 @registry.info("gaining", "ferry.example", auth: "right-code")[:auth_info]
  end

  def test_both_sides_are_told_and_a_message_goes_once_it_is_acknowledged
    request
    assert_equal [1, 1], [@registry.queue_for("losing").count, @registry.queue_for("gaining").count]
    id = @registry.queue_for("losing").get(:id)
    assert_equal(2303, code { @registry.acknowledge("gaining", id) })
    @registry.acknowledge("losing", id)
    assert_empty @registry.queue_for("losing").all
  end

  def test_at_expiry_the_registry_adds_a_year_and_shows_the_grace_period
    expiry = AT + (30 * DAY)
    @registry.expire("ferry.example", at: expiry)
    row = @registry.find("ferry.example")
    assert_equal [Time.utc(2028, 3, 31, 8).to_i, ["autoRenewPeriod"]],
                 row.values_at(:expires_at, :statuses)
    @registry.end_grace("ferry.example", at: expiry + (45 * DAY))
    assert_equal ["ok"], @registry.find("ferry.example")[:statuses]
  end

  # status in the way of an update => result code
  UPDATES = {
    "serverUpdateProhibited" => 2304,
    "pendingTransfer" => 2304,
    "clientUpdateProhibited" => 2304
  }.freeze

  def test_updates_that_are_refused
    none = { statuses: [], name_servers: [] }
    assert_equal(
      2201,
      code { @registry.update("gaining", "ferry.example", add: none, rem: none, at: AT) }
    )
    UPDATES.each do |standing, expected|
      status(standing)
      assert_equal(
        expected,
        code { @registry.update("losing", "ferry.example", add: none, rem: none, at: AT) }
      )
    end
    if status("clientUpdateProhibited")
      @registry.update(
        "losing",
        "ferry.example",
        add: none,
        rem: {
          statuses: ["clientUpdateProhibited"],
          name_servers: []
        },
        at: AT
      )
    end
    assert_equal ["ok"], @registry.find("ferry.example")[:statuses]
  end

  # A world that an earlier version left behind is not read half: it says so.
  def test_a_world_of_another_version
    path = File.join(Dir.mktmpdir, "practice.sqlite3")
    Practice::Database.open(path).disconnect
    Practice::Database.open(path).tap { |db| db.run("PRAGMA user_version = 1") }.disconnect
    assert_match(
      %r{bin/demo --fresh},
      assert_raises(Practice::Database::Outdated) { Practice::Database.open(path) }.message
    )
  end
end
