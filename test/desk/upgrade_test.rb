# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require "tmpdir"

# What version 0.1.0 left: its database migrates, its moves fold to what they were, and a move
# started under its plan goes on as it was planned. Test data: a database made by that version, and
# how its own code saw the moves in it.
class UpgradeTest < Minitest::Test
  DATA = File.join(SteadyMove::ROOT, "test", "data", "upgrade")
  BY = "ada@saltern-office.example"

  def opened
    Dir.mktmpdir do |folder|
      FileUtils.cp(File.join(DATA, "desk-0.1.0.sqlite3"), file = File.join(folder, "desk.sqlite3"))
      db = SteadyMove::Store::Database.open(file)
      yield db
    ensure
      db&.disconnect
    end
  end

  def seen(state)
    step = state.step
    {
      "id" => step.id,
      "phase" => state.phase,
      "turn" => state.turn,
      "rail" => step.rail,
      "stage" => step.stage,
      "actor" => step.actor,
      "way" => step.way,
      "hand" => step.by_hand?,
      "letter" => step.by_letter?,
      "needs" => step.needs,
      "takes" => step.takes,
      "since" => state.since&.to_i
    }
  end

  # What was a regular expression => what it is now.
  PATTERNS = {
    "\\A[!-+\\--~]{6,64}\\z" => "6-64 !-+ --~",
    "\\A[A-Za-z0-9]{8,16}\\z" => "8-16 A-Z a-z 0-9",
    "\\A[\\d_.]{6,6}\\z" => "6-6 0-9 _ .",
    "\\A[^a]{6,8}\\z" => nil,
    "\\A[\\w]{6,8}\\z" => nil,
    "\\A(a|aa)+\\z" => nil,
    "(" => nil
  }.freeze

  def test_patterns_of_codes_become_a_length_and_signs
    Dir.mktmpdir do |folder|
      db = Sequel.sqlite(File.join(folder, "old.sqlite3"))
      Sequel.extension(:migration)
      Sequel::Migrator.run(db, SteadyMove::Store::Database::MIGRATIONS, target: 15)
      rows =
        PATTERNS.keys.each_with_index.map do |p, i|
          { id: "a#{i}", habits: { takes_codes: p, login: "x" }.to_json }
        end
      rows.each { |row| db[:accounts].insert(title: "A", registrar: "A", kind: "by_hand", **row) }
      Sequel::Migrator.run(db, SteadyMove::Store::Database::MIGRATIONS)
      PATTERNS.each_with_index do |(old, form), i|
        habits = JSON.parse(db[:accounts].where(id: "a#{i}").get(:habits))
        assert_equal [form, "x"],
                     habits.values_at("takes_codes", "login").then { |a, b| [a, b] },
                     old
        refute_nil SteadyMove::Core::Codes::Accepted.read(form), old if form
      end
    ensure
      db&.disconnect
    end
  end

  def test_the_old_database_migrates_and_its_moves_are_what_they_were
    opened do |db|
      moves =
        SteadyMove::Store::Moves
          .new(db, SteadyMove::Store::Journal.new(db))
          .all
          .to_h { |m| [m.id, m] }
      was = JSON.parse(File.read(File.join(DATA, "moves-0.1.0.json")))
      assert_equal was.map { |m| m["id"] }.sort, moves.keys.sort
      assert_operator was.map { |m| m["stage"] }.uniq.size, :>=, 4, "moves at different stages"
      was.each do |old|
        move = moves.fetch(old["id"])
        old["stage"] = "Cancelled" if old["stage"] == "Called off"
        assert_equal old.values_at("name", "open", "stage", "options"),
                     [move.name, move.open, move.state.stage, move.plan.options.map(&:to_s)]
        assert_equal [old["turn"]], [of_old(move.state.turn)]
        old["steps"]
          .zip(move.state.steps.map { |s| seen(s) })
          .each { |a, b| assert_equal a, b.merge("turn" => of_old(b["turn"])), old["name"] }
        assert_equal old["steps"].size, move.state.steps.size, old["name"]
      end
    end
  end

  # What software does next was the clock's as well, then.
  def of_old(turn) = turn == "desk" ? "clock" : turn

  def test_the_journal_stays_whole_and_what_was_over_is_known_as_that
    opened do |db|
      assert_nil SteadyMove::Store::Journal.new(db).broken_at
      over = db[:moves].where(open: false).select_map(%i[ending last_seq])
      over.each { |ending, last| assert(ending && last.positive?) }
      assert_equal db[:events].exclude(move_id: nil).group_and_count(:move_id).count,
                   db[:moves].count
    end
  end

  # Steps that version 0.1.0 did not know.
  LATER = %w[keep-zone answers-before ds-out ds-forgotten old-ns-set ds-in].freeze

  # A plan as version 0.1.0 kept it, after the migration found its old host's id by the title.
  def as_it_was(plan)
    words = { "name" => plan["name"], "from" => "Tarnbeck Names", "to" => "Orlop Domain Desk" }
    plan.slice(
      "name",
      "from",
      "to",
      "options",
      "old_host",
      "new_host",
      "expires_at",
      "expected_expiry",
      "years",
      "settle_seconds",
      "response_days",
      "name_servers",
      "ways",
      "code_takes"
    ).merge("words" => words)
  end

  def put_back(world, id)
    rows = world.app.db[:moves].where(id: id)
    plan = JSON.parse(rows.get(:plan))
    rows.update(plan: JSON.generate(as_it_was(plan)))
    world.app.moves.instance_variable_get(:@folded).clear
    planned = plan["steps"].map { |s| s["id"] } - LATER
    assert_equal planned, world.move(id).plan.steps.map(&:id), "as it was planned"
  end

  # Started new, put into the old shape after so many events, and taken to its end.
  def finish(name, after, **options)
    world = BenchWorld.new
    id = world.start(name, **options)
    after.times { world.driver.move_on }
    stage = world.move(id).state.stage
    put_back(world, id)
    approved = false
    world.until_true(most: 90, what: "the end of #{name} after #{after}") do
      move = world.move(id)
      if !approved && move.state["release"].active?
        approved = true
        world.orders.approve(id, by: BY)
      end
      !move.open
    end
    assert_equal "Settled", world.move(id).state.stage, "#{name} after #{after}"
    assert_nil world.app.journal.broken_at
    stage
  ensure
    world&.close
  end

  def test_moves_started_under_the_old_plan_are_finished_under_the_new
    plain = [0, 1, 3, 4, 6].map { |after| finish("isles-timetable.example", after, to: "orlop") }
    carried =
      [0, 2, 5, 9].map do |after|
        finish("saltern-isles.example", after, to: "orlop", host: "lanternroom")
      end
    assert_operator (plain + carried).uniq.size, :>=, 4, (plain + carried).inspect
  end
end
