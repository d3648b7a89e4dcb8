# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/step_alone"

# What the desk tells of itself and to whom, and what it gives people to type, by tables.
class ToldTest < Minitest::Test
  include StepAlone

  Desk = SteadyMove::Desk
  ADA = Practice::DeskSide::Desk::EMAIL
  NAME = "harbourpass.example"

  attr_reader :world

  def teardown = world&.close
  def app = (@world ||= BenchWorld.new).app
  def refused(match, &) = assert_match(match, assert_raises(Desk::Refused, &).message)

  # step, what the move was told => [kind, values]
  TYPED = [
    ["ns-back", [], [:name_server, OLD]],
    ["ds-again", [["done", "compare-hosts", { ds: [DS] }]], [:ds, [DS]]],
    ["ds-again", [], [:ds, []]],
    ["ds-in", [], [:ds, []]],
    ["settings", [], [:aim, ["auto-renew on", "contacts from the profile Harbour office"]]],
    ["make-safe", [], [nil, []]]
  ].freeze
  AIMS = { "auto_renew" => "on", "contacts" => "Harbour office" }.freeze

  def test_what_is_typed
    TYPED.each do |id, told, wanted|
      options = [*RECORDS, :settings]
      about = move(*events(told), options: options, plan: { aims: AIMS })
      step = (about.plan.steps + about.plan.endings).find { |s| s.id == id }
      assert_equal wanted, Desk::Letters::TypedValues.needed(app, about, step), id
    end
  end

  # Seconds since the heart beat and since pages were told; octets free; what the last walk through
  # the journal found => [id, well, part of what is said].
  HEALTH = [
    [{ beat: 3 }, ["runner", true, "3"]],
    [{ beat: 121 }, ["runner", false, "121"]],
    [{ stream: 5 }, ["stream", true, ""]],
    [{ stream: 300 }, ["stream", false, "300"]],
    [{ free: nil }, ["disk", nil, "can't be told"]],
    [{ free: 150 * (2**20) }, ["disk", false, "150"]],
    [{ free: 900 * (2**20) }, ["disk", true, "900"]],
    [{ broken: 12 }, ["journal", false, "12"]]
  ].freeze

  def test_how_the_desk_is
    HEALTH.each do |so, (id, well, says)|
      app.system_state[Desk::Operations::JournalCheck::KEY] = { "broken" => so[:broken] }
      ages = {
        beat_age: so[:beat] && -> { so[:beat] },
        stream_age: so[:stream] && -> { so[:stream] }
      }
      health = Desk::Operations::Health.new(app, world.runner, **ages)
      health.define_singleton_method(:measured) { so[:free] }
      check = health.checks.find { |c| c.id == id }
      assert_equal [well, true], [check.well, check.says.include?(says)], [so, check.says].inspect
    end
  end

  # What is said over and over is written once a minute, by the time that passes by itself; what
  # changes at once.
  def test_what_was_heard_is_written_seldom
    written = []
    state =
      Struct.new(:written) do
        def under(_) = {}
        def []=(key, value)
          written << [key, value[:well]]
        end
      end
    seconds = 0
    heard = Desk::Common::LastHeard.new(state.new(written), watch: -> { seconds })
    say = ->(well) { heard.note("orlop", at: app.now + (seconds * 3600), well: well, says: "x") }
    5.times { say.call(true) }
    assert_equal 1, written.size
    say.call(false)
    assert_equal [true, false], written.map(&:last)
    seconds = 61
    2.times { say.call(false) }
    assert_equal 3, written.size
    assert_equal app.now, heard["orlop"].failing_since
  end

  # A mailbox can be tried where there is a server to send through, one that receives, and an
  # address.
  def test_what_a_trial_of_a_mailbox_wants
    sender = app.sender
    box = ->(**so) { app.inboxes.add(host: "imap.example", port: 993, password: "w", **so) }
    try = ->(id) { Desk::Mail::MailboxTrial.new(app).start(id) }
    bare = box.call(login: "ada")
    refused(/Authentication-Results|server/) { try.call(bare) }
    app.inboxes.change(bare, ids: %w[mx.example])
    refused(/ada/) { try.call(bare) }
    app.instance_variable_set(:@sender, nil)
    refused(/sends email first/) { try.call(bare) }
  ensure
    app.instance_variable_set(:@sender, sender)
  end

  # A transfer that nobody ordered, and nobody who may refuse it, or no way to tell them: what could
  # not be told is written down once.
  def test_an_alarm_that_reaches_nobody
    registry = world_of_a_stray
    alarms = Desk::Automation::UnrequestedTransferAlarms.new(app)
    app.db[:people].update(role: "viewer")
    assert_equal 0, alarms.tell
    app.db[:people].update(role: "administrator")
    broken = ->(*, **) { raise SteadyMove::Wire::Unreachable, "no answer" }
    app.sender.stub(:deliver, broken) { 2.times { assert_equal 0, alarms.tell } }
    keys = app.journal.page(name: NAME).filter_map { |e| e.phrase&.key }
    assert_equal 1, keys.count("journal.stray_unwarned")
    assert_equal 1, alarms.tell
    refute_nil registry
  end

  def world_of_a_stray
    account = app.accounts.find("tarnbeck")
    registry = world.world.registry
    registry.domains.where(name: NAME).update(statuses: '["ok"]')
    code = registry.find(NAME)[:auth_info]
    registry.request_transfer("lantern", NAME, code, years: 1, at: app.now)
    Desk::Portfolio::Observe.new(app).name(domain(NAME), account)
    registry
  end

  # Lines on people's sign-in, and to whom a mail goes.
  def test_whoever_signs_in_without_an_address_is_told_nothing
    mails = Desk::Automation::SignInMails.new(app)
    mails.tell
    line = ->(by) { Words.phrase("journal.password_changed", by: by, email: by) }
    [ADA, "console"].each do |by|
      app.journal.add("people", at: app.now, by: by, says: line.call(by))
    end
    app.journal.add("people", at: app.now, by: ADA, says: "An old line without a key.")
    assert_equal 1, mails.tell
  end

  Words = SteadyMove::Words
end
