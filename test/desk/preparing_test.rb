# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Names that are only made ready: for a destination that is not known yet, or for somebody else.
class PreparingTest < Minitest::Test
  include ByHand

  def preparing = SteadyMove::Desk::Planning::Preparing.new(world.app)

  def prepare(name, *parts, days: 20, **more)
    preparing
      .start(name, parts: parts, ends: world.app.now + (days * 86_400), by: ADA, **more)
      .tap { world.runner.pass }
  end

  LEAVES = "skerry-lighthouse-walks.example"

  # Handed over with its code, which is shown once; watched until the record shows it elsewhere.
  def test_a_name_that_leaves_to_somebody_else
    live_with("fairlead")
    id = prepare(LEAVES, "unlock", "code", leaves_to: "Skerry Trust")
    until_step(id, "hand-over")
    code = row(LEAVES)[:auth_info]
    sheet = preparing.hand_over(id, by: ADA)
    assert_includes sheet, "Authorization code: #{code}"
    assert_includes sheet, "For Skerry Trust"
    assert_raises(SteadyMove::Desk::Refused) { preparing.hand_over(id, by: ADA) }
    assert_nil world.app.codes.of_move(id)
    world.runner.pass
    world.world.exclusively do
      world.world.registry.request_transfer("gannet", LEAVES, code, years: 1, at: world.world.now)
    end
    until_over(id)
    assert_equal "Settled", state(id).stage
    assert_match(/at Gannet Street Names now/, state(id)["kept-ready"].says)
    assert_empty world.app.unrequested_transfers.open, "it was expected"
  end

  # Nobody took it by the date: the lock is on again, and nothing is pending.
  def test_what_is_not_used_is_made_safe
    live_with("tarnbeck")
    id = prepare("harbourpass.example", "unlock", days: 3)
    until_step(id, "kept-ready")
    assert_empty row("harbourpass.example")[:statuses] - ["ok"]
    until_over(id)
    assert_equal ["Made safe", ["clientTransferProhibited"]],
                 [state(id).stage, row("harbourpass.example")[:statuses]]
  end

  # What was made ready is looked at again: a lock that is on once more is told, and the date still
  # ends it.
  def test_a_lock_that_comes_back_is_told
    live_with("tarnbeck")
    id = prepare("harbourpass.example", "unlock", days: 3)
    until_step(id, "kept-ready")
    assert_match(/is ready: the lock is off/, says(id))
    none = { statuses: [], name_servers: [] }
    lock = { **none, statuses: ["clientTransferProhibited"] }
    world.world.exclusively do
      at = world.world.now
      world.world.registry.update("tarnbeck", "harbourpass.example", add: lock, rem: none, at: at)
    end
    world.until_true { state(id)["kept-ready"].phase == "stuck" }
    assert_match(/not ready any more: the public record shows the lock on again/, says(id))
    until_over(id)
    assert_equal "Made safe", state(id).stage
  end

  def says(id) = SteadyMove::Words.text(state(id)["kept-ready"].says)

  # A code alone, by hand; then the name goes on as a move with what was made ready.
  def test_a_code_without_a_move_and_then_a_move
    live_with("tarnbeck")
    id = prepare("isles-timetable.example", "code")
    until_step(id, "kept-ready")
    assert world.app.codes.of_move(id)
    move = start("isles-timetable.example")
    assert_equal ["Settled", false], [state(id).stage, world.move(id).open]
    assert world.app.codes.of_move(move), "the code that was fetched is used"
    until_step(move, "release")
  end

  REFUSED = [
    [[], 3, :nothing_to_make_ready],
    [["unlock"], -1, :kept_until_when],
    [["unlock"], 100, :kept_until_when]
  ].freeze

  def test_what_makes_no_sense_is_refused
    live_with("tarnbeck")
    REFUSED.each do |parts, days, key|
      refused =
        assert_raises(SteadyMove::Desk::Refused) do
          prepare("harbourpass.example", *parts, days: days)
        end
      assert_equal key.to_s, refused.key
    end
    assert_raises(SteadyMove::Desk::Refused) { prepare("tern-island-cruises.example", "unlock") }
  end
end
