# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# What registries leave in an account's queue (RFC 5730 §2.9.2.3).
class PollQueueTest < Minitest::Test
  NAME = "harbourpass.example"

  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def registry = world.world.registry
  def poll = SteadyMove::Desk::Moves::PollQueue.new(app).fetch(app.accounts.find("tarnbeck"))

  # Somebody elsewhere has the code and asks the registry.
  def somebody_asks
    registry.domains.where(name: NAME).update(statuses: '["ok"]')
    code = registry.find(NAME)[:auth_info]
    registry.request_transfer("lantern", NAME, code, years: 1, at: app.now)
  end

  # What can't be read of one hinders none behind it: it is kept, said so, and acknowledged.
  def test_a_message_that_can_t_be_read_blocks_no_queue
    somebody_asks
    queued = registry.queue_for("tarnbeck").count
    odd =
      lambda do |x, _|
        x["domain"].trnData("xmlns:domain" => SteadyMove::Wire::Epp::Xml::DOMAIN) do
          x["domain"].name(NAME)
          x["domain"].trStatus("pending")
          x["domain"].reDate("the day before yesterday")
        end
      end
    Practice::Epp::Replies.stub(:transfer, odd) { assert_equal queued, poll }
    assert_equal 0, registry.queue_for("tarnbeck").count, "acknowledged"
    line = app.journal.page(type: "registry-message").first
    assert_match(/can’t be read: .*the day before yesterday/, line.says)
    assert_match(/Transfer of #{NAME}/, line.says)
  end
end
