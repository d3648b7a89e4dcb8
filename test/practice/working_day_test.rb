# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# The demo opens on a working day: what the scenario lived through stands there with its evidence, and the first move of
# the README can still be made.
class WorkingDayTest < Minitest::Test
  # name => [step that waits, whose turn, phase]
  OPEN = {
    "harbourpass.example" => %w[release yours under-way],
    "isles-timetable.example" => %w[registry-pending yours stuck],
    "northskerry-crew.example" => %w[consent yours under-way],
    "islandhopper-pass.example" => %w[consent yours under-way],
    "salternferries.example" => %w[ns-settled clock under-way],
    "saltern-press.fjd.test" => %w[ask-code theirs under-way],
    "xn--fhre-saltern-gcb.example" => %w[settings yours under-way]
  }.freeze

  def setup = @world = BenchWorld.new(names_at: nil, week: true)
  def teardown = @world.close

  def test_the_demo_opens_on_a_working_day
    app = @world.app
    assert_equal "2027-03-08T08:00:00Z", app.now.iso8601
    open = app.moves.open.to_h do |m|
      current = m.state.current
      [m.name, [current.step.id, m.state.turn, current.phase]]
    end
    assert_equal OPEN, open
    assert_equal %w[nightboat-saltern.example], SteadyMove::Desk::Strays.new(app).open.map(&:name)
    assert_equal(["called-off"], app.moves.of_name("saltern-freight.example").map { |m| m.state.ending })
    release = app.moves.open_for("harbourpass.example").state.marked(:approval)
    assert_match(/2027-03-08T11:25:00Z/, release.says, "an approval is due today")
    kinds = app.messages.all.group_by { |m| m[:kind] }.transform_values(&:size)
    assert_operator kinds["approval-request"], :>=, 2
    assert_equal 1, kinds["offer"]
    forged = app.messages.all.find { |m| m[:subject].start_with?("Action needed") }
    assert_equal "doubtful", forged[:trust]
    assert_equal ["sent"], app.letters.all.map { |l| l[:state] }.uniq
    assert_empty SteadyMove::Desk::Verification.new(app.db, app.safe).problems
    lines = app.journal.of_move(app.moves.open_for("xn--fhre-saltern-gcb.example").id).map(&:says)
    assert(lines.any?(/ fähre-saltern\.example/), "an international name is read in its own letters")
    assert(lines.grep_v(/“/).none?(/xn--/), "but in what others wrote")
    move = app.moves.open_for("xn--fhre-saltern-gcb.example")
    hand = SteadyMove::Desk::TypedValues.of(app, move, move.state.current.step)
    assert_equal [:aim, ["auto-renew on"]], hand, "what is to be set is said where it is done"
    proposal = @world.plan("saltern-isles.example", to: "orlop", host: "lanternroom")
    assert_predicate proposal, :startable?
    start_beside_the_rest
  end

  private

  # Checks that find nothing are not sat through: the caches' day and the release take a few turns of the clock.
  def start_beside_the_rest
    id = @world.start("saltern-isles.example", to: "orlop", host: "lanternroom")
    turns = 0
    until @world.move(id).state.current.step.id == "release"
      before = @world.app.now
      @world.driver.move_on_to_news
      turns += 1
      assert_operator @world.app.now - before, :<=, Practice::DeskSide::Driver::FAR
      assert_operator turns, :<, 16
    end
  end
end
