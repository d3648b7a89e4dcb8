# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Transfers that nobody here ordered, and what registries leave in a queue.
class StraysTest < Minitest::Test
  NAME = "harbourpass.example"
  DAY = 86_400

  attr_reader :world

  def setup = @world = BenchWorld.new
  def teardown = world.close
  def app = world.app
  def registry = world.world.registry
  def strays = SteadyMove::Desk::Moves::UnrequestedTransfers.new(app)
  def tarnbeck = app.accounts.find("tarnbeck")

  # Somebody elsewhere has the code and asks the registry.
  def somebody_asks
    registry.domains.where(name: NAME).update(statuses: '["ok"]')
    code = registry.find(NAME)[:auth_info]
    registry.request_transfer("lantern", NAME, code, years: 1, at: app.now)
  end

  def poll = SteadyMove::Desk::Moves::PollQueue.new(app).fetch(tarnbeck)

  def alarms = strays.open.map { |s| [s.name, s.requested_by] }
  def alarm_lines = app.journal.page(name: NAME).count { |e| e.phrase&.key == "journal.stray" }
  def reject = registry.end_transfer("tarnbeck", NAME, "reject", at: app.now)
  def later(seconds) = world.driver.move_on(to: app.now + seconds)

  def test_the_record_shows_it_and_it_is_refused_and_the_name_made_safe
    look
    assert_empty strays.open
    code = registry.find(NAME)[:auth_info]
    row = somebody_asks
    app.codes.keep(NAME, code, at: app.now)
    2.times { look }
    stray = strays.open.first
    assert_equal [NAME, "tarnbeck", Time.at(row[:act_at]).utc],
                 [stray.name, stray.account_id, stray.deadline]
    assert_equal 1, alarm_lines, "told once"
    strays.refuse(NAME, by: "ada")
    known = registry.find(NAME)
    assert_equal "clientRejected", registry.newest_transfer(NAME)[:status]
    refute_equal code, known[:auth_info], "somebody else had it"
    assert_operator known[:auth_info].size, :>=, 22, "at least 128 bits (RFC 9154 §4.3)"
    assert_includes known[:statuses], "clientTransferProhibited"
    assert_nil app.codes.held(NAME)[NAME], "the old one is wiped"
    assert_equal [[], nil],
                 [alarms, strays.of_name(NAME)],
                 "lock seen, another code set: nothing is left"
  end

  # What ends one says nothing of the next: refused, withdrawn, no longer shown, forged before, or
  # expected.
  ENDS = {
    "refused" => ->(t) { t.strays.refuse(NAME, by: "ada") },
    "withdrawn" => ->(t) do
      t.registry.end_transfer("lantern", NAME, "cancel", at: t.app.now) && t.look
    end,
    "rejected at the registrar's own pages" => ->(t) { t.reject && t.look },
    "expected, and over" =>
      lambda do |t|
        t.strays.expected(NAME, by: "ada", ordered_by: "the owner")
        t.reject && t.look
      end,
    "expected, and never seen to be over" =>
      lambda do |t|
        t.strays.expected(NAME, by: "ada", ordered_by: "the owner")
        t.reject
      end
  }.freeze
  public :strays, :registry, :app

  def look = SteadyMove::Desk::Portfolio::Observe.new(app).name(domain(NAME), tarnbeck)
  public :look, :reject

  ENDS.each do |how, ending|
    define_method(:"test_a_second_one_alarms_after_one_that_was_#{how.gsub(/\W+/, "_")}") do
      somebody_asks
      look
      ending.call(self)
      assert_empty alarms, how
      later(2 * 3600)
      somebody_asks
      look
      assert_equal [[NAME, "lantern"]], alarms, how
      assert_equal 2,
                   alarm_lines,
                   app
                     .journal
                     .page(name: NAME)
                     .map { |e| [e.at, e.type, e.says].join(" ") }
                     .join("\n")
    end
  end

  def test_a_forged_message_two_days_before_silences_nothing
    drop("We were asked to transfer #{NAME} to another registrar")
    later(2 * DAY)
    look
    assert_empty alarms, "the registry shows none"
    somebody_asks
    look
    assert_equal [[NAME, "lantern"]], alarms
  end

  # Expected is that transfer alone, and it can be taken back while it runs.
  def test_only_the_one_that_was_seen_is_expected
    somebody_asks
    look
    assert_match(
      /Say who ordered/,
      assert_raises(SteadyMove::Desk::Refused) do
        strays.expected(NAME, by: "ada", ordered_by: " ")
      end.message
    )
    strays.expected(NAME, by: "ada", ordered_by: "Mr Brine of Saltern")
    look
    drop("Transfer away of #{NAME} requested", OBJECT.sub("10:00", "08:00"))
    assert_empty alarms, "the same one, told again"
    drop("Transfer away of #{NAME} requested", OBJECT.sub("06 10:00", "08 08:00"))
    assert_equal 1, alarms.size, "with another deadline it is another one"
    strays.expected(NAME, by: "ada", ordered_by: "Mr Brine of Saltern")
    assert_equal ["expected", "Mr Brine of Saltern"],
                 strays.of_name(NAME).to_h.values_at(:state, :ordered_by)
    strays.unexpected(NAME, by: "ada")
    assert_equal 1, alarms.size
  end

  # Held by hand: the public record alone tells, it lags, and only it ends the alarm.
  def test_refused_on_the_registrars_own_pages
    app.accounts.put(tarnbeck.dup.tap { |a| a.kind = "by_hand" })
    somebody_asks
    later(3600)
    look
    assert_match(
      /no connection/,
      assert_raises(SteadyMove::Desk::Refused) { strays.refuse(NAME, by: "ada") }.message
    )
    strays.said_refused(NAME, by: "ada")
    look
    assert_equal 1, alarms.size, "a word alone ends no alarm"
    reject
    later(2 * 3600)
    look
    stray = strays.of_name(NAME)
    safety = SteadyMove::Desk::Moves::UnrequestedTransferSafety.new(app)
    assert_equal ["unsafe", %w[lock code]], [stray.state, safety.left(stray)]
    safety.said_code(NAME, by: "ada")
    assert_equal %w[lock], safety.left(strays.of_name(NAME))
    registry.domains.where(name: NAME).update(statuses: '["clientTransferProhibited"]')
    later(2 * 3600)
    look
    assert_nil strays.of_name(NAME)
  end

  # A message tells of one that the public record never shows: that record ends nothing.
  def test_a_record_that_never_shows_a_transfer_ends_no_alarm
    app.accounts.put(tarnbeck.dup.tap { |a| a.kind = "by_hand" })
    drop("We were asked to transfer #{NAME} to another registrar")
    later(2 * DAY)
    look
    assert_equal 1, alarms.size
    later(8 * DAY)
    look
    assert_empty alarms, "past its deadline, and the name is still here"
  end

  def test_everybody_who_may_refuse_is_told_three_times
    people = SteadyMove::Desk::People::Directory.new(app)
    %w[viewer mover approver administrator].each do |role|
      people.put("#{role}@saltern-office.example", "a long and winding passage", role: role)
    end
    somebody_asks
    look
    stray = strays.open.first
    ends = SteadyMove::Desk::Moves::UnrequestedTransfers.new(app).deadline_of(stray)
    half = stray.seen_at + ((ends - stray.seen_at) / 2)
    alarm = SteadyMove::Desk::Automation::UnrequestedTransferAlarms.new(app)
    told =
      [stray.seen_at, half - 60, half, ends - 3660, ends - 3600].map do |at|
        world.driver.move_on(to: at) if at > app.now
        alarm.tell
        warnings.size
      end
    assert_equal [1, 1, 2, 2, 3], told, "at once, at half time, an hour before the end"
    to = warnings.last.values[:to].split(", ")
    assert_equal %w[administrator approver],
                 (to.map { |t| t[/\A\w+/] } & %w[administrator approver mover viewer]).sort
  end

  def warnings
    app
      .journal
      .page(name: NAME)
      .map(&:phrase)
      .compact
      .select { |p| p.key == "journal.stray_warned" }
  end

  def test_the_registry_leaves_a_message
    somebody_asks
    assert_operator poll, :>=, 1
    line = app.journal.page(name: NAME).find { |e| e.type == "registry-message" }
    assert_equal %w[pending lantern], line.data.values_at("status", "requested_by")
    assert_equal "lantern", strays.open.first.requested_by
    assert_equal [0, 0],
                 [registry.queue_for("tarnbeck").count, poll],
                 "acknowledged, and not told twice"
    registry.end_transfer("tarnbeck", NAME, "reject", at: app.now)
    poll
    assert_empty strays.open, "it is over"
  end

  # Written down and not acknowledged: it is acknowledged the next time, and not told twice.
  def test_a_message_that_was_kept_and_not_acknowledged
    somebody_asks
    id = registry.queue_for("tarnbeck").first[:id].to_s
    app.db[:polled].insert(account_id: "tarnbeck", message: id, at: 0)
    poll
    assert_equal 0, registry.queue_for("tarnbeck").count
    refute(
      app
        .journal
        .page(name: NAME)
        .any? { |e| e.type == "registry-message" && e.evidence["ref"] == id }
    )
  end

  OBJECT = "Unless you object by 2027-03-06 10:00 UTC it goes ahead."

  def drop(subject, text = OBJECT, from: "notices@tarnbeck.example")
    domain = from.partition("@").last
    proof =
      "Authentication-Results: post.saltern-office.example; dmarc=pass header.from=#{domain}\r\n"
    SteadyMove::Desk::Mail::PostRoom.new(app).drop(
      "#{proof}From: #{from}\r\nDate: Mon, 01 Mar 2027 08:00:00 +0000\r\n" \
        "Message-ID: <#{rand}@x>\r\nSubject: #{subject}\r\n\r\n" \
        "#{text}",
      by: "ada"
    )
  end

  def test_a_leaving_notice_tells_of_it
    drop("We were asked to transfer #{NAME} to another registrar", from: "x@elsewhere.test")
    assert_empty strays.open, "a doubtful one tells nothing"
    drop("We were asked to transfer #{NAME} to another registrar")
    assert_equal [utc("2027-03-06T10:00:00Z")], strays.open.map(&:deadline)
    strays.expected(NAME, by: "ada", ordered_by: "the owner")
    drop("Transfer away of #{NAME} requested")
    assert_empty strays.open, "a person's word holds"
    assert_raises(SteadyMove::Desk::Refused) do
      strays.expected(NAME, by: "ada", ordered_by: "the owner")
    end
  end

  # What says that an outgoing transfer was cancelled or rejected opens no alarm; where one stands,
  # the desk looks at once.
  def test_a_message_that_it_is_over_opens_nothing
    ["cancelled", "rejected by its holder", "declined"].each do |how|
      drop("The outgoing transfer of #{NAME} was #{how}", "The name stays with us.")
      assert_empty strays.open, how
    end
    drop("We were asked to transfer #{NAME} to another registrar")
    app.watches.looked(NAME, at: app.now)
    drop("The outgoing transfer of #{NAME} was cancelled", "The name stays with us.")
    assert_equal [1, 0], [strays.open.size, app.db[:watches].where(name: NAME).get(:looked_at)]
  end

  def test_our_own_order_is_none
    id = world.start(NAME, to: "orlop")
    world.until_true(what: "the order") { world.move(id).state.with_trait(:orders).done? }
    look
    poll
    drop("We were asked to transfer #{NAME} to another registrar")
    assert_empty strays.open
  end
end
