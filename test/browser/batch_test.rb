# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# Five names to two destinations, from the tray to the closing report: one approved early, one left
# to silence, one rejected and tried again, one called off, one whose registrar acts on mail alone.
class BrowserBatchTest < Minitest::Test
  include Browser
  include ByKeyboard

  EARLY = "isles-timetable.example"
  SILENT = "nightboat-saltern.example"
  REJECTED = "harbourpass.example"
  CALLED_OFF = "xn--fhre-saltern-gcb.example"
  BY_MAIL = "isles-weather.example"
  ALL = [EARLY, SILENT, REJECTED, CALLED_OFF, BY_MAIL].freeze

  def new_world = BenchWorld.new(names_at: %w[tarnbeck cobble])
  def batch = world.app.batches.all.first
  def member(name) = world.app.batches.members(batch.id).find { |m| m.name == name }
  def state(name) = world.move(member(name).move_id).state
  def to_the_release(name)
    world.until_true(most: 200, what: name) { state(name).with_trait(:approval)&.active? }
  end

  def test_from_the_tray_to_the_closing_report
    sign_in
    made_and_started
    to_the_release(EARLY)
    approved_early
    to_the_release(REJECTED)
    rejected_and_tried_again
    called_off
    by_mail_alone
    world.until_true(most: 900, what: "the end") { world.app.moves.open.empty? }
    closed
    within_what_was_agreed
  end

  private

  def made_and_started
    visit "/names?tray=#{ALL.join(",")}"
    click_on "Plan these 5 moves"
    fill_in "Title", with: "Before the season"
    click_on "See what it would do"
    assert_text "5 of 5 names can start", wait: 60
    within("[role=row]", text: "fähre-saltern.example") do
      click_on "Change"
      select "Fairlead Names"
    end
    find("summary", text: "How it is done").click
    uncheck "One name first, on trial"
    click_on "Save"
    assert_text "Fairlead Names 1"
    axe "the review of a batch"
    find("button", text: /\AStart 5 names for/).click
    assert_text "Running"
    world.runner.pass
    world.until_true(most: 60, what: "all have begun") { ALL.all? { |n| member(n).move_id } }
  end

  def approved_early
    visit "/approvals"
    within("li", text: EARLY) do
      assert_text "Approving now saves"
      click_on "Approve the release"
      click_on "Yes, release #{EARLY}; this can’t be taken back"
    end
    within("li", text: EARLY) { assert_text "approved, being sent" }
    world.runner.pass
  end

  # The losing side says no; once the name is safe again it is tried once more, and approved as soon
  # as it is asked.
  def rejected_and_tried_again
    first = member(REJECTED).move_id
    world.world.exclusively do
      world.world.registry.end_transfer("tarnbeck", REJECTED, "reject", at: world.world.now)
    end
    world.until_true(most: 200, what: "it is safe again") { !world.move(first).open }
    visit "/batches/#{batch.id}"
    within("li", text: REJECTED, match: :first) { click_on "Try it again" }
    world.until_true(most: 30, what: "the second try") do
      ![first, nil].include?(member(REJECTED).move_id)
    end
    visit "/approvals"
    within("li", text: REJECTED) { click_on "Approve as soon as it is asked" }
    within("li", text: REJECTED) { assert_text "approved as soon as it is asked for" }
  end

  def called_off
    visit "/moves/#{member(CALLED_OFF).move_id}"
    click_on "Cancel the move"
    click_on "Cancel it"
    assert_text "Cancelled"
    world.runner.pass
  end

  # Everything at its losing side is written for.
  def by_mail_alone
    letters = SteadyMove::Desk::Letters::LetterWriter.new(world.app)
    200.times do
      break if state(BY_MAIL).landed?

      if letters.draft("cobble", by: Practice::DeskSide::Desk::EMAIL)
        one_letter
      else
        world.driver.move_on
      end
    end
    assert state(BY_MAIL).landed?
  end

  def one_letter
    visit "/by-hand"
    click_on "Write one email for #{BY_MAIL}"
    click_on "Send it"
    assert_text "no answer yet"
    world.runner.pass
  end

  def closed
    visit "/batches/#{batch.id}"
    assert_text "4 settled"
    click_on "Close the batch"
    assert_text "Closing"
    assert_text(/4 moves|5 moves/)
    visit "/ledger"
    assert_text "Everything that was charged fits what was quoted."
    visit "/moves/#{member(EARLY).move_id}"
    assert_text "Left at the old account"
    within("li", text: "Turn auto-renew off") { click_on "Cancelled" }
    assert_text "by #{Practice::DeskSide::Desk::EMAIL}"
  end

  # Each order once: what the registry was asked for.
  def within_what_was_agreed
    assert_equal(
      {
        EARLY => "orlop",
        SILENT => "orlop",
        REJECTED => "orlop",
        CALLED_OFF => "tarnbeck",
        BY_MAIL => "orlop"
      },
      ALL.to_h { |n| [n, world.world.registry.find(n)[:sponsor]] }
    )
    asked =
      world.world.registry.instance_variable_get(:@db)[:transfers]
        .where(name: ALL)
        .select_map(:name)
        .tally
    assert_equal [1, 1, 2, 1], asked.values_at(EARLY, SILENT, REJECTED, BY_MAIL)
  end
end
