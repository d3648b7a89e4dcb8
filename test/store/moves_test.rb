# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

# Whose a step is and when it is looked at: the one thing that keeps two runners from doing a step
# twice.
class MovesStoreTest < Minitest::Test
  Store = SteadyMove::Store
  AT = Time.utc(2027, 3, 1, 8)

  def setup
    @folder = Dir.mktmpdir
    @db = Store::Database.open(File.join(@folder, "x.sqlite3"))
    @journal = Store::Journal.new(@db)
    @moves = Store::Moves.new(@db, @journal)
    @schedule = Store::Schedule.new(@db)
    @id = start("ferry.example")
    sync
  end

  def teardown
    @db.disconnect
    FileUtils.rm_rf(@folder)
  end

  def plan(name, to: "new")
    Core::Moves::Plan.of(
      name: name,
      from: "old",
      to: to,
      options: %i[lock],
      settle_seconds: 0,
      response_days: 5,
      years: 1
    )
  end

  def start(name, **more)
    @moves.start(plan(name, **more), at: AT) do |id|
      @journal.add("planned", at: AT, says: "started", by: "ada", move_id: id, name: name)
    end
  end

  def sync(after = 0) = @schedule.sync(@moves.find(@id), now: AT + after)
  def take(after, holder) = @schedule.take(@id, "unlock", now: AT + after, holder: holder)

  # [seconds, who takes it] in order => is it given to them; a hold lasts 120 seconds
  TAKES = [
    [[0, "a", true], [0, "b", false], [119, "b", false], [120, "b", true], [120, "a", false]],
    [[0, "a", true], [10, "a", true], [125, "b", false], [130, "b", true]],
    [[0, "a", true], [500, "a", true], [501, "b", false]]
  ].freeze

  def test_a_step_is_one_runners_at_a_time
    TAKES.each do |steps|
      @db[:looks].update(due_at: AT.to_i, held_by: nil, held_until: nil)
      steps.each do |after, who, given|
        assert_equal given, take(after, who), [steps, after, who].inspect
      end
    end
  end

  def test_a_step_that_was_let_go_is_due_again_only_then
    take(0, "a")
    assert @schedule.held_by_others?("b", now: AT + 60)
    refute @schedule.held_by_others?("a", now: AT + 60)
    @schedule.look_again(@id, "unlock", at: AT + 300, now: AT, attempts: 2)
    refute @schedule.held_by_others?("b", now: AT + 60)
    refute @schedule.holds?(@id, "unlock", "a")
    assert_equal [2, { [@id, "unlock"] => AT + 300 }, AT + 300],
                 [
                   @schedule.attempts(@id, "unlock"),
                   @schedule.looks,
                   @schedule.next_look(after: AT)
                 ]
    refute take(299, "b")
    assert take(300, "b")
  end

  def test_looking_now_makes_waiting_steps_due
    take(0, "a")
    @schedule.look_again(@id, "unlock", at: AT + 9000, now: AT)
    @schedule.wake(@id, AT + 10)
    assert_equal AT + 10, @schedule.looks_of(@id)["unlock"]
    assert take(10, "b")
    @journal.add(
      "done",
      at: AT + 20,
      says: "off",
      by: "desk",
      move_id: @id,
      name: "ferry.example",
      step: "unlock"
    )
    assert_equal [@id], @schedule.stirred
    sync(20)
    assert_empty @schedule.stirred
    assert_equal(
      { "lock-gone" => AT + 20 },
      @schedule.looks_of(@id),
      "what is done is looked at no more, what follows at once"
    )
  end

  def test_one_open_move_a_name
    assert_raises(Store::Moves::AlreadyMoving) { start("ferry.example") }
    @moves.close(@id)
    again = start("ferry.example", to: "other")
    assert_equal [again, [again, @id], "other"],
                 [
                   @moves.open_for("ferry.example").id,
                   @moves.of_name("ferry.example").map(&:id),
                   @moves.open_for("ferry.example").to_account
                 ]
  end

  # What was folded once stays in memory, and is folded anew when its journal has grown.
  def test_a_move_follows_its_journal
    first = @moves.find(@id)
    assert_same first, @moves.find(@id)
    @journal.add(
      "done",
      at: AT + 5,
      says: "off",
      by: "desk",
      move_id: @id,
      name: "ferry.example",
      step: "unlock"
    )
    assert @moves.find(@id).state.done?("unlock")
    refute first.state.done?("unlock")
    other = Store::Moves.new(@db, Store::Journal.new(@db))
    @journal.add(
      "said",
      at: AT + 6,
      says: "x",
      by: "ada",
      move_id: @id,
      name: "ferry.example",
      step: "lock-gone"
    )
    assert_equal 3, other.find(@id).events.size
  end

  def test_where_most_moves_went
    start("a.example", to: "other")
    start("b.example", to: "other")
    assert_equal ["other", "new", nil],
                 [%w[other new], %w[new], []].map { |there| @moves.usual_destination(there) },
                 "of the accounts that are there"
    ahead = ["Make ready", false]
    assert_equal(
      { "ferry.example" => ahead, "a.example" => ahead, "b.example" => ahead },
      @moves.stages.transform_values { |m| [m.stage, m.prepares] }
    )
    assert_empty @moves.came_from
    @journal.add("settled", at: AT, says: "x", by: "desk", move_id: @id, name: "ferry.example")
    assert_equal({ %w[ferry.example new] => "old" }, @moves.came_from("ferry.example"))
  end
end
