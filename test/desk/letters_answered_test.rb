# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/held_box"

# What support writes back to a letter moves the step that waits for it.
class LettersAnsweredTest < Minitest::Test
  include ByHand

  def sent = world.app.db[:letters].all
  def ready = letters.draft("cobble", by: ADA)
  def post = letters.send(ready, account_id: "cobble", by: ADA, how: "smtp")

  ANSWERS = {
    "Please send us a copy of the holder's passport first." => /to want something first: read/,
    "Unfortunately we cannot send the code by email." => /not to do all that was asked: read/
  }.freeze

  # Support writes back, and the code does not come: it is a person's turn at once, and once they
  # have written again it is support's.
  def test_an_answer_moves_the_task
    live_with("cobble")
    id = start("isles-weather.example")
    world.world.instance_variable_get(:@db)[:agenda].where(kind: "support").update(done: true)
    box = reads_from_a_held_box
    ANSWERS.each do |text, says|
      post
      world.runner.pass
      assert_equal "theirs", state(id)["ask-code"].turn
      box.list << answer(sent.last, text)
      SteadyMove::Desk::Mail::PostRoom.new(world.app).fetch
      world.runner.pass
      step = state(id)["ask-code"]
      assert_equal %w[stuck yours], [step.phase, step.turn]
      assert_match says, step.says
      assert_includes ready.steps, [id, "ask-code"], "it can be written for again"
    end
    world.driver.move_on(to: world.app.now + (7 * 3600))
    assert_match ANSWERS.values.last, state(id)["ask-code"].says, "as long as nothing else came"
  end

  # Who is not proven moves nothing, until a person says that they know them.
  def test_an_answer_counts_once_its_sender_does
    live_with("cobble")
    id = start("isles-weather.example")
    world.world.instance_variable_get(:@db)[:agenda].where(kind: "support").update(done: true)
    post
    reads_from_a_held_box.list << answer(sent.last, ANSWERS.keys.first, proof: "none")
    SteadyMove::Desk::Mail::PostRoom.new(world.app).fetch
    world.runner.pass
    assert_equal "theirs", state(id)["ask-code"].turn
    replies = SteadyMove::Desk::Mail::Replies.new(world.app)
    replies.trust(world.app.messages.all.first.id, by: ADA)
    world.runner.pass
    assert_equal "yours", state(id)["ask-code"].turn
  end

  def reads_from_a_held_box
    box = HeldBox.new([])
    world.app.define_singleton_method(:mailboxes) { { 1 => box } }
    box
  end

  def answer(letter, text, proof: "pass")
    from = letter[:recipient]
    SteadyMove::Wire::Mail::Eml.read(
      <<~MAIL,
        Authentication-Results: post.saltern-office.example; dmarc=#{proof} header.from=#{from[/@(.*)/, 1]}
        From: #{from}
        Date: #{world.app.now.rfc2822}
        Message-ID: <answer-#{letter[:id]}@x>
        In-Reply-To: <#{letter[:message_id]}>
        Subject: Re: #{letter[:subject]}

        #{text}
      MAIL
      place: SteadyMove::Core::Post::Place.new(uid: letter[:id])
    )
  end
end
