# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# One transfer that nobody ordered, or two? By what registries and mails tell of each, one after the
# other.
class StrayMessagesTest < Minitest::Test
  NAME = "harbourpass.example"
  Info = SteadyMove::Wire::Epp::TransferInfo
  DAY = 86_400

  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def strays = SteadyMove::Desk::Moves::UnrequestedTransfers.new(app)
  def tarnbeck = app.accounts.find("tarnbeck")

  # What a queue tells. after: seconds from now at which it was asked for.
  def poll(status: "pending", by: "lantern", after: 0, ends: 5 * DAY)
    Info.new(
      name: NAME,
      status: status,
      requested_by: by,
      requested_at: after && (app.now + after),
      act_at: ends && (app.now + ends)
    )
  end

  # What a mail tells; ends: seconds from now, or nil where it names no deadline.
  def mail(ends: nil, name: NAME, ended: false, trust: "proven", at: 0)
    Core::Post::Kept.new(
      message: Core::Post::Message.new(sender: "ops@tarnbeck.example", at: app.now + at),
      reading:
        Core::Post::Reading.new(
          kind: "leaving-notice",
          names: [name],
          trust: trust,
          because: [],
          deadline: ends && (app.now + ends)
        ),
      facts: {
        "ended" => ended
      }
    )
  end

  def tell(told) = told.is_a?(Core::Post::Kept) ? strays.written(told) : told_by_queue(told)
  def told_by_queue(told) = strays.heard(NAME, tarnbeck, told)
  def alarms = app.journal.page(name: NAME).count { |e| e.phrase&.key == "journal.stray" }
  def states = app.db[:strays].order(:id).select_map(:state)

  # What is told, one after the other => [how many alarms, states in the end].
  CASES = {
    "told twice" => [->(t) { [t.poll, t.poll(after: 60)] }, [1, %w[open]]],
    "asked for by another" => [->(t) { [t.poll, t.poll(by: "withy")] }, [2, %w[over open]]],
    "asked for later" => [->(t) { [t.poll, t.poll(after: 61)] }, [2, %w[over open]]],
    "told without who and when" => [->(t) { [t.poll, t.poll(by: nil, after: nil)] }, [1, %w[open]]],
    "completed by a mail" => [->(t) { [t.poll(ends: nil), t.mail(ends: 4 * DAY)] }, [1, %w[open]]],
    "no transfer at all" => [->(t) { [nil, t.mail(name: "nobody.example")] }, [0, []]],
    "from a doubtful sender" => [->(t) { [t.mail(trust: "doubtful")] }, [0, []]],
    "refused there" => [->(t) { [t.poll, t.poll(status: "clientRejected")] }, [1, %w[unsafe]]],
    "another refused" => [
      ->(t) { [t.poll, t.poll(status: "clientRejected", by: "withy")] },
      [1, %w[open]]
    ],
    "told late" => [->(t) { [t.poll, t.poll(status: "clientRejected"), t.poll] }, [1, %w[unsafe]]],
    "written of late, by its deadline" => [
      ->(t) { [t.poll, t.poll(status: "clientRejected"), t.mail(ends: 5 * DAY)] },
      [1, %w[unsafe]]
    ],
    "written before the end" => [
      ->(t) { [t.poll, t.poll(status: "clientRejected"), t.mail(at: -60)] },
      [1, %w[unsafe]]
    ],
    "a new one by mail" => [
      ->(t) { [t.poll, t.poll(status: "clientRejected"), t.mail(ends: 9 * DAY)] },
      [2, %w[unsafe open]]
    ]
  }.freeze

  def test_one_or_two
    CASES.each do |what, (told, wanted)|
      app.db[:strays].delete
      before = alarms
      told.call(self).each { |one| tell(one) }
      assert_equal wanted, [alarms - before, states], what
    end
  end

  # One that is expected is another once its own end is past.
  def test_one_that_was_expected
    tell(poll)
    strays.expected(NAME, by: "ada", ordered_by: "the owner")
    tell(mail)
    assert_equal %w[expected], states
    world.driver.move_on(to: app.now + (7 * DAY))
    app.db[:strays].update(state: "expected")
    tell(mail)
    assert_equal %w[over open], states
  end

  # The registry's own mail that it is over makes the desk look, and ends nothing by itself.
  def test_a_mail_that_says_it_is_over
    tell(poll)
    tell(mail(ended: true))
    assert_equal %w[open], states
  end
end
