# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# A habit that is learnt in the middle of a move changes its plan by steps: shown first, followed on
# a person's word, and nothing that was begun is done again.
class PlanRevisingTest < Minitest::Test
  include ByHand

  Revising = SteadyMove::Desk::Planning::PlanRevising
  NAME = "northskerry-crew.example"

  def revising = Revising.new(world.app)
  def learn(**habits)
    world.app.accounts.keep_habits(world.app.accounts.find("gannet"), habits.transform_keys(&:to_s))
  end

  def test_what_was_learnt_is_followed_from_where_the_move_stands
    live_with("gannet")
    id = start(NAME)
    consent(id)
    assert_empty revising.told(world.move(id))
    learn(ways: { "code" => "mail", "privacy" => "letter", "release" => "link" })
    told = revising.told(world.move(id))
    assert_equal [
                   "privacy off: by email to its support, not on its pages.",
                   "released: by the link in its email, not over the connection."
                 ],
                 told
    stale = assert_raises(SteadyMove::Desk::Refused) { revising.revise(id, told: [], by: ADA) }
    assert_match(/something else would change/, stale.message)
    done = done_steps(id)
    revising.revise(id, told: told, by: ADA)
    assert_equal done, done_steps(id)
    assert_equal(%w[letter link], %w[privacy-off release].map { |s| state(id)[s].step.way })
    assert_match(
      /let the plan follow what was learnt: privacy off/,
      world.move(id).events.last.says
    )
    assert_raises(SteadyMove::Desk::Refused) { revising.revise(id, told: told, by: ADA) }
    write("gannet")
    until_step(id, "ask-code")
    do_it(id, "ask-code", "code", reason: "We gather our names.")
    # said to be begun: it stays as it was done
    learn(ways: { "code" => "page", "privacy" => "letter", "release" => "page" })
    assert_equal ["released: on its pages, not by the link in its email."],
                 revising.told(world.move(id))
  end

  def done_steps(id) = state(id).steps.select(&:done?).map { |s| s.step.id }

  # What was not asked to be made ready is no part that could follow.
  def test_a_name_that_is_only_unlocked_asks_for_no_code
    live_with("millrace")
    preparing = SteadyMove::Desk::Planning::Preparing.new(world.app)
    ends = world.app.now + (9 * 86_400)
    id = preparing.start("slipway.example", parts: %w[unlock], ends: ends, by: ADA)
    assert_empty revising.told(world.move(id))
  end

  # One process writes, another reads: a line of the journal tells that the plan is another.
  def test_who_held_the_move_sees_the_new_plan
    live_with("gannet")
    id = start(NAME)
    other = SteadyMove::Store::Moves.new(world.app.db, world.app.journal)
    before = other.find(id).plan
    learn(ways: { "code" => "mail", "privacy" => "letter" })
    revising.revise(id, told: revising.told(world.move(id)), by: ADA)
    refute_equal before.ways, other.find(id).plan.ways
  end
end
