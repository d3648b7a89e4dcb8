# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/some_batches"

# Letters that go out once, are answered, are late and reminded of; acts said to be done that were
# not; consent that has ended.
class LettersSentTest < Minitest::Test
  include ByHand
  include SomeBatches

  Letters = SteadyMove::Desk::Letters::LetterWriter

  def sent = world.app.db[:letters].all
  def ready(account = "cobble") = letters.draft(account, by: ADA)
  def post(ready = self.ready, **more)
    letters.send(ready, account_id: "cobble", by: ADA, how: "smtp", **more)
  end

  def test_a_mail_server_that_is_away_keeps_the_draft
    live_with("cobble")
    id = start("isles-weather.example")
    {
      "outgoing-away" => "can't be reached",
      "outgoing-refuses" => "no such mailbox"
    }.each do |fault, part|
      world.link.fault(fault, "on")
      assert_match(
        /was not sent.*#{part}/,
        assert_raises(SteadyMove::Desk::Refused) { post }.message
      )
      world.link.fault(fault, nil)
      assert_empty sent, "nothing went out, nothing is kept"
      assert_equal "yours", state(id).turn
    end
    post
    assert_equal(%w[sent], sent.map { |l| l[:state] })
  end

  def test_a_letter_that_may_have_gone_out_is_not_sent_twice
    live_with("cobble")
    start("isles-weather.example")
    world.app.sender.define_singleton_method(:deliver) { |*, **| raise Interrupt, "killed" }
    assert_raises(Interrupt) { post }
    assert_equal(%w[intended], sent.map { |l| l[:state] })
    assert_nil ready, "it counts as written until it is late"
    assert_equal %w[intended],
                 letters.overdue.map { |l| l[:state] },
                 "and is told as not known, with a reminder offered"
  end

  # A person looked: it did not leave, then it is written anew; it did, then it is waited for.
  def test_whoever_looked_says_whether_it_left
    live_with("cobble")
    move = start("isles-weather.example")
    deliver = world.app.sender.method(:deliver)
    world.app.sender.define_singleton_method(:deliver) { |*, **| raise Interrupt, "killed" }
    assert_raises(Interrupt) { post }
    letters.left(sent.first[:id], left: false, by: ADA)
    assert_empty sent
    assert_equal "yours", state(move).turn
    assert_raises(Interrupt) { post }
    letters.left(sent.first[:id], left: true, by: ADA)
    assert_equal [%w[sent], "theirs"], [sent.map { |l| l[:state] }, state(move).turn]
    world.app.sender.define_singleton_method(:deliver, &deliver)
    id = sent.first[:id]
    world.orders.call_off(move, by: ADA)
    refused = {
      /known what became/ => -> { letters.left(id, left: true, by: ADA) },
      /number 999/ => -> { letters.reminder(999, by: ADA) },
      /waited for any more/ => -> { letters.reminder(id, by: ADA) },
      /“ada”/ => -> { letters.prove("ada", names: [], steps: [], by: ADA) }
    }
    proof, =
      letters.prove("owner@far.example", names: %w[isles-weather.example], steps: [], by: ADA)
    refused[/sent anew/] = -> { letters.reminder(proof, by: ADA) }
    refused.each do |says, act|
      assert_match says, assert_raises(SteadyMove::Desk::Refused, &act).message
    end
  end

  def test_what_a_person_changed_and_sent_by_hand
    live_with("cobble")
    id = start("isles-weather.example")
    draft = ready
    post(draft, how: "hand", text: "#{draft.draft.text}\nWith thanks.")
    assert_equal(
      [["hand", "sent", true]],
      sent.map { |l| [l[:how], l[:state], l[:text].include?("With thanks")] }
    )
    assert_equal [draft.message_id, draft.draft.reference],
                 sent.first.values_at(:message_id, :reference)
    assert_equal "theirs", state(id).turn
    assert_match(
      /sent by #{ADA}/,
      world.move(id).events.reverse.find { |e| e.type == "letter" }.says
    )
    assert_raises(SteadyMove::Desk::Refused) { post(draft, text: "  ") }
  end

  def test_the_message_holds_what_a_mail_program_needs
    live_with("cobble")
    start("isles-weather.example")
    read = SteadyMove::Wire::Mail::Eml.read(ready.tap { |r| @ready = r }.raw)
    assert_equal [
                   "names@saltern-office.example",
                   "help@cobblekeel.example",
                   @ready.message_id,
                   @ready.draft.subject
                 ],
                 [read.sender, read.recipient, read.message_id, read.subject]
    assert_includes read.text, @ready.draft.reference
  end

  # Nobody reads the letter: late after three days for a code, then a reminder that follows the
  # first.
  def test_a_letter_that_nobody_answers_is_reminded_of
    live_with("cobble")
    id = start("isles-weather.example")
    letter = post
    world.world.instance_variable_get(:@db)[:agenda].where(kind: "support").update(done: true)
    world.driver.move_on(to: world.app.now + (3 * 86_400) + 1800)
    step = state(id)["ask-code"]
    assert_equal %w[stuck yours], [step.phase, step.turn]
    assert_match(/It is late: send a reminder/, step.says)
    assert_equal([letter], letters.overdue.map { |l| l[:id] })
    assert_nil ready, "what was written for is reminded of, not written for again"
    reminder = letters.reminder(letter, by: ADA)
    assert_equal [[[id, "unlock"], [id, "ask-code"]], true],
                 [reminder.steps, reminder.draft.subject.start_with?("Reminder: ")]
    assert_equal [sent.first[:message_id]], SteadyMove::Wire::Mail::Eml.read(reminder.raw).answers
    letters.send(reminder, account_id: "cobble", by: ADA, how: "smtp", reminds: letter)
    world.runner.pass
    assert_equal ["theirs", []], [state(id).turn, letters.overdue]
    world.driver.move_on(to: world.app.now + 7200)
    assert_equal "theirs", state(id).turn
    until_step(id, "release")
    assert_raises(SteadyMove::Desk::Refused) { letters.reminder(999, by: ADA) }
    assert_raises(SteadyMove::Desk::Refused) { letters.reminder(sent.last[:id], by: ADA) }
  end

  # An account that is written to, and nobody knows where.
  def test_without_an_address_nothing_is_started
    live_with("cobble")
    account = world.app.accounts.find("cobble")
    world.app.accounts.put(account.dup.tap { |a| a.habits = a.habits.except("support") })
    error = assert_raises(SteadyMove::Desk::Refused) { start("isles-weather.example") }
    assert_match(/no address of its support is known/, error.message)
    assert_raises(SteadyMove::Desk::Refused) { letters.draft("nowhere", by: ADA) }
  end

  # step, how long after it was said (seconds) => phase, whose turn, a part of what is told
  LATE = [
    [0, "under-way", "theirs", "usually takes 15 minutes, at most 1 hour"],
    [900, "under-way", "theirs", "still shows the lock"],
    [3540, "under-way", "theirs", "still shows the lock"],
    [3660, "stuck", "yours", "It is late: check again at Millrace Registrations"]
  ].freeze

  def test_said_but_not_done_becomes_late_and_yours_again
    live_with("millrace")
    id = start("slipway.example")
    say(id, "unlock")
    said = world.app.now
    LATE.each do |after, phase, turn, part|
      world.driver.move_on(to: said + after) if after.positive?
      step = state(id)["unlock"]
      assert_equal [phase, turn], [step.phase, step.turn], after
      assert_includes step.says, part
      look = world.app.schedule.looks_of(id)["unlock"]
      assert_operator look, :>, world.app.now, "it is looked at again by itself"
    end
    world.driver.move_on(to: said + 9000)
    assert_equal "stuck", state(id)["unlock"].phase, "late stays late"
    assert_match(/\Amailto:care@millrace/, told(id, "unlock").hand.mailto)
    assert_raises(SteadyMove::Desk::Refused) { hands.said([[id, "lock-gone"]], by: ADA) }
    say(id, "unlock")
    assert_equal "theirs", state(id)["unlock"].turn
  end

  # who, how long => refused with
  CONSENTS = [
    ["", 9, "who gave"],
    ["Pearl", -1, "in the future"],
    ["Pearl", 0, "in the future"]
  ].freeze

  def test_consent_has_a_giver_and_an_end
    live_with("millrace")
    id = start("kelp-sound-hire.example")
    CONSENTS.each do |who, days, part|
      assert_match(
        /#{part}/,
        assert_raises(SteadyMove::Desk::Refused) { consent(id, given_by: who, days: days) }.message
      )
    end
    due = hands.consents
    assert_equal [[id], true], [due.moves.map(&:id), due.until > world.app.now + 86_400]
    consent(id, days: 1)
    assert_nil hands.consents
    assert_raises(SteadyMove::Desk::Refused) { consent(id) }
    site = told(id, "identity").hand.site
    pass_check(site)
    until_step(id, "privacy-off")
    do_it(id, "privacy-off", "off")
    world.driver.move_on(to: world.app.now + (2 * 86_400))
    shown =
      SteadyMove::Web::Views::MoveView.card(
        world.move(id),
        SteadyMove::Desk::Common::MoveWords.values(world.move(id).plan, world.app.accounts),
        {},
        world.app.now,
        SteadyMove::Desk::Planning::InShort.new(world.app)
      )[
        :exposed
      ]
    assert_equal [true, nil], shown.values_at(:over, :until)
    assert_equal %w[kelp-sound-hire.example],
                 SteadyMove::Web::Views::ManualStepsView.page(world.app, hands, letters)[:too_long]
    assert_operator shown[:seconds], :>=, 2 * 86_400
  end

  # Two hundred at once would be told by place: here all that can go, in one consent, one letter,
  # one list of codes.
  # What a person is to type of the new host's keys is what the desk last saw, asked by nobody's
  # opening a page.
  def test_ds_to_be_typed_are_those_last_seen
    step = SteadyMove::Core::Moves::Steps.find("ds-in")
    event = Struct.new(:step, :data, keyword_init: true)
    seen = ->(ds) { event.new(step: "ds-in", data: { "ds_wanted" => ds }) }
    said = event.new(step: "ds-in", data: {})
    other = event.new(step: "ds-out", data: { "ds_wanted" => ["9 9 9 00"] })
    [
      [[], []],
      [[said], []],
      [[seen.call(["1 8 2 AA"]), said, other], ["1 8 2 AA"]],
      [[seen.call(["1 8 2 AA"]), seen.call(["2 13 2 BB"])], ["2 13 2 BB"]],
      [[seen.call(["1 8 2 AA"]), seen.call([])], []]
    ].each do |events, typed|
      move = Struct.new(:events).new(events)
      kind = SteadyMove::Desk::Letters::TypedValues.needed(nil, move, step)
      assert_equal [:ds, typed], kind
    end
  end

  def test_several_at_once
    live_with("millrace", "cobble", "gannet")
    names = %w[
      kelp-sound-hire.example
      slipway.example
      saltern-harbour.example
      isles-weather.example
      northskerry-crew.example
      northskerry-season-2026.example
    ]
    world.app.names.learn(
      "kelp-sound-hire.example",
      facts(source: :hand, admin_email: "dock@post.kelpsound.example")
    )
    along =
      proposed(%w[kelp-sound-hire.example kelpsound.example], to: "orlop").map do |r|
        r.says.join(" ")
      end
    assert_match(
      /dock@post.kelpsound.example, lies on kelpsound.example, which moves in the same batch/,
      along.first
    )
    refute_match(/same batch/, along.last, "its own name is told by the verdict")
    world.app.names.forget("kelp-sound-hire.example", :hand)
    rows = proposed(names, to: "orlop")
    assert_equal 5, rows.count(&:startable)
    assert_match(/does not know this name/, rows.last.says.join)
    sums = SteadyMove::Desk::Batches::Batch.sums(rows)
    assert_equal [[4 * 902], 1],
                 [sums[:total].map(&:minor), sums[:unpriced]],
                 "a premium name's price is not known"
    assert_equal %w[EUR],
                 sums[:saves].map(&:currency),
                 "what is saved is told only where both prices are in one currency"
    batch = batches.make(names, to: "orlop", by: ADA, trial: false).first
    assert_equal "running", batches.start(batch, by: ADA, shown: sums[:total])
    world.runner.pass
    begun, later =
      world.app.batches.members(batch).select { |m| m.state == "in" }.partition(&:move_id)
    assert_equal 2, later.size, "with names that hang together it isn't all at once"
    ids = begun.map(&:move_id) + later.map { |m| world.start(m.name, to: "orlop") }
    world.runner.pass
    assert_equal 2, hands.consents.moves.size
    consent(*hands.consents.moves.map(&:id))
    gathered_by_place(ids)
  end

  private

  def gathered_by_place(ids)
    places = hands.places.to_h { |p| [p.title, p.items.map(&:step).sort] }
    assert_equal(
      {
        "Millrace Registrations" => %w[ask-code unlock unlock],
        "Curlew Screen" => %w[identity],
        "Cobble and Keel" => %w[ask-code ask-code unlock unlock],
        "Gannet Street Names" => %w[privacy-off]
      },
      places.transform_values { |steps| steps - %w[prove-contact] }
    )
    write("cobble")
    assert_equal(1, sent.count { |l| l[:account_id] == "cobble" })
    list = ids.map { |i| world.move(i).name }.map { |n| "#{n}, #{row(n)[:auth_info]}" }.join("\n")
    assert_equal %w[kept] * 5,
                 SteadyMove::Desk::Accounts::CodeSafe.new(world.app).keep(list, by: ADA).map(&:fate)
  end
end
