# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Every state of a transfer × every command × everybody who may send it, at the practice registry,
# against what the standards say: RFC 5730 §2.9.3.4 (states; approve and reject are the present
# sponsor's, cancel the requester's) and §3 (result codes), RFC 5731 §3.1.3 and §3.2.4. Where they
# leave it open the row says "common practice, no source".
class TransfersStandardsTest < Minitest::Test
  NAME = "isles-timetable.example"
  # The losing side, the gaining side, somebody else.
  WHO = { sponsor: "tarnbeck", requester: "orlop", third: "fairlead" }.freeze

  # How each state comes about, from a transfer that is pending.
  STATES = {
    "pending" => ->(_) {},
    "clientApproved" => ->(t) { t.ask(:sponsor, "approve") },
    "clientRejected" => ->(t) { t.ask(:sponsor, "reject") },
    "clientCancelled" => ->(t) { t.ask(:requester, "cancel") },
    "serverApproved" => lambda(&:let_it_pass),
    "none" => nil
  }.freeze

  # state => {command => {who => result code}}. Once it is over, whoever holds the name then is the
  # sponsor: after an approval that is the requester.
  OVER = %w[approve reject cancel].to_h { |op| [op, { sponsor: 2301, requester: 2301 }] }
  # Not eligible: its own already, or moved within 60 days (ICANN Transfer Policy I.A.3.7.6, from
  # memory).
  LOST = { "request" => { sponsor: 2106, requester: 2106, third: 2106 }, **OVER }.freeze
  KEPT = { "request" => { sponsor: 2106, requester: 1001 }, **OVER }.freeze
  EXPECTED = {
    "pending" => {
      "request" => {
        sponsor: 2300,
        requester: 2300,
        third: 2300
      },
      "query" => {
        sponsor: 1000,
        requester: 1000
      },
      "approve" => {
        requester: 2201,
        third: 2201,
        sponsor: 1000
      },
      "reject" => {
        requester: 2201,
        third: 2201,
        sponsor: 1000
      },
      "cancel" => {
        sponsor: 2201,
        third: 2201,
        requester: 1000
      }
    },
    "clientApproved" => LOST,
    "serverApproved" => LOST,
    "clientRejected" => KEPT,
    "clientCancelled" => KEPT,
    # That nothing is pending is said of a name that nobody asked for, too: common practice, no
    # source.
    "none" => OVER
  }.freeze

  def setup = @world = BenchWorld.new
  def teardown = @world.close

  # A name of its own, unlocked, and a transfer asked for unless none is wanted.
  def begun(state)
    @name = "state-#{registry.domains.count}.example"
    model = registry.domains.where(name: NAME).first
    registry.domains.insert(
      model.merge(name: @name, roid: "S#{registry.domains.count}-PRAC", statuses: '["ok"]')
    )
    return if state == "none"

    assert_equal 1001, ask(:requester, "request"), "RFC 5730 §3: completed, action pending"
    STATES.fetch(state).call(self)
    assert_equal state, registry.newest_transfer(@name)[:status]
  end

  def registry = @world.world.registry

  # The result code of a command of the registry's.
  def ask(who, operation)
    client = WHO.fetch(who)
    @world.world.exclusively do
      at = @world.world.now
      case operation
      when "request"
        registry.request_transfer(client, @name, registry.find(@name)[:auth_info], years: 1, at: at)
      when "query"
        registry.query(client, @name)
      else
        registry.end_transfer(client, @name, operation, at: at)
      end
    end
    operation == "request" ? 1001 : 1000
  rescue Practice::Refusal => e
    e.code
  end

  def let_it_pass = @world.driver.move_on(to: @world.app.now + (6 * 86_400))

  def test_every_state_with_every_command
    EXPECTED.each do |state, commands|
      begun(state)
      commands.each do |operation, by|
        by.each do |who, expected|
          assert_equal expected, ask(who, operation), "#{state}: #{operation} by the #{who}"
          # What changed the state is tried no further on the same transfer.
          begun(state) if expected < 2000 && operation != "query"
        end
      end
    end
  end
end
