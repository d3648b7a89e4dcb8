# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# What acts report, one row a case: how a transfer ended, how an order was refused, when a thing
# done by hand is looked at next.
class ActsTest < Minitest::Test
  include ByHand

  Desk = SteadyMove::Desk
  Refused = SteadyMove::Wire::Refused

  def job(step, options: { to: "orlop" })
    id =
      world.app.moves.open_for("nightboat-saltern.example")&.id ||
        world.start("nightboat-saltern.example", **options)
    Desk::Moves::StepContext.new(
      Desk::Moves::StepPorts.of(world.app),
      world.move(id),
      step,
      world.app.now
    )
  end

  # how the registry says that it ended => [kind of outcome, a part of what is told] (states: RFC
  # 5730 §2.9.3.4)
  ENDS = {
    "clientApproved" => ["done", "The losing side approved the release on <2027-03-02T08:00:00Z>"],
    "serverApproved" => ["done", "Nobody answered; the registry approved"],
    "clientCancelled" => ["ended", "cancelled at the gaining side"],
    "clientRejected" => ["ended", "refused (clientRejected)"],
    "serverCancelled" => ["ended", "refused (serverCancelled)"]
  }.freeze

  def test_how_a_transfer_ended
    live_with("tarnbeck")
    ENDS.each do |status, (kind, says)|
      transfer =
        SteadyMove::Wire::Epp::TransferInfo.new(status: status, act_at: utc("2027-03-02T08:00:00Z"))
      found = Desk::Moves.const_get(:Steps)::Release.new(job("release")).send(:finished, transfer)
      assert_equal kind, found.kind, status
      assert_includes SteadyMove::Words.text(found.says), says, status
      assert_match(/EPP transfer query/, found.evidence["source"])
    end
  end

  # result code (RFC 5730 §3) => [is it the person's turn, seconds until it is tried again, a part
  # of what is told, the step done anew]
  REFUSALS = {
    2304 => [false, 900, "still shows a lock (2304)", "lock-gone"],
    2202 => [false, 900, "rejects the code (2202", "get-code"],
    2106 => [true, 86_400, "not eligible for a transfer (2106)", nil],
    2300 => [true, 900, "pending already (2300)", nil],
    2104 => [true, 3600, "refused the order (2104 Command failed)", nil]
  }.freeze

  def test_how_an_order_was_refused
    live_with("tarnbeck")
    REFUSALS.each do |code, (yours, again, says, anew)|
      before = job("order").move.events.size
      found =
        Desk::Moves.const_get(:Steps)::Order.new(job("order")).refused(
          Refused.new(code, "Command failed")
        )
      assert_equal ["problem", yours, again],
                   [found.kind, found.yours, found.look_at - world.app.now],
                   code
      assert_includes SteadyMove::Words.text(found.says), says, code
      reopened =
        job("order").move.events.drop(before).select { |e| e.type == "reopened" }.map(&:step)
      assert_equal [anew].compact, reopened, code
    end
  end

  def test_the_third_rejected_code_is_a_persons_to_mend
    live_with("tarnbeck")
    turns =
      Array.new(4) do
        Desk::Moves.const_get(:Steps)::Order.new(job("order")).refused(Refused.new(2202, "x")).yours
      end
    assert_equal [false, false, true, true], turns
  end

  # Seconds since it was said => seconds until the next look, for what takes a minute, a quarter of
  # an hour, an hour at most.
  LOOKS = { 0 => 900, 600 => 300, 899 => 1, 900 => 300, 2000 => 300, 3400 => 200, 3599 => 1 }.freeze
  # The same for a letter: an hour, a day, five days at most.
  LETTERS = { 0 => 86_400, 86_400 => 28_800, 200_000 => 28_800, 420_000 => 12_000 }.freeze

  def test_when_a_thing_done_by_hand_is_looked_at_next
    begun = utc("2027-03-01T08:00:00Z")
    { [60, 900, 3600] => LOOKS, [3600, 86_400, 432_000] => LETTERS }.each do |takes, rows|
      rows.each do |after, expected|
        now = begun + after
        assert_equal expected,
                     Desk::Moves.const_get(:ByHand).next_look(
                       begun,
                       takes,
                       now,
                       begun + takes.last
                     ) - now,
                     [takes, after].inspect
      end
    end
  end

  # setting, value => a part of what is wrong, or nil where it is taken
  SETTINGS = [
    ["rdap_bases", { "test" => "https://rdap.example/" }, nil],
    ["rdap_bases", { "test" => "ftp://rdap.example/" }, "not a base URL"],
    ["dns_servers", { "ns.example" => "192.0.2.1:53" }, nil],
    ["dns_servers", { "ns.example" => "192.0.2.1" }, "not host:port"],
    ["dns_parents", { "test" => "ns.example" }, nil],
    ["dns_parents", { "test" => "not a server" }, "not a name server"],
    ["outgoing", { "host" => "smtp.example", "port" => 587, "from" => "a@b.example" }, nil],
    [
      "outgoing",
      { "host" => "smtp.example", "port" => 587, "from" => "nobody" },
      "from (an address)"
    ],
    ["registries", { "registry.example" => "yes" }, nil],
    ["registries", { "registry" => "yes" }, "not a domain"],
    ["colours", { "x" => "y" }, "not a setting"]
  ].freeze

  def test_settings
    live_with("tarnbeck")
    settings = world.app.settings
    SETTINGS.each do |key, value, wrong|
      set = -> { settings.set(key, value, at: world.app.now) }
      if wrong
        assert_includes(assert_raises(SteadyMove::Desk::Refused, &set).message, wrong)
      else
        set.call
      end
    end
    assert_equal [%w[registry.example], "a@b.example"],
                 [settings.places.registries, settings.places.outgoing[:from]]
    %w[outgoing registries].each { |key| settings.set(key, nil, at: world.app.now) }
    assert_equal "names@saltern-office.example",
                 settings.places.outgoing[:from],
                 "the configuration's own again"
    refute_match(/tide-table/, settings.shown.to_s)
  end
end
