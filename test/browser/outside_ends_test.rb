# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/without_connections"

# What goes otherwise than hoped, or ends before a move: in the browser, without any connection.
class BrowserOutsideEndsTest < Minitest::Test
  include WithoutConnections

  # Refused for want of a card, then put right; then called off: the order is taken back, the lock
  # goes on again.
  def test_a_refused_order_and_a_call_off
    sign_in
    made_ready
    click_on "It refuses this: #{NAME}"
    select "a payment method is missing", from: "What does it say of #{NAME}?"
    fill_in "In its words (if you like)", with: "No card on file"
    act { click_on "Save" }
    assert_text "Put one on file there, then order again"
    assert_text "No card on file"
    ordered
    visit "/moves/#{@id}"
    click_on "Cancel the move"
    act { click_on "Cancel it" }
    assert_text "Cancelled"
    world.runner.pass
    visit "/by-hand"
    assert_text "Open the order of #{NAME} and cancel it"
    at("hawser", ["cancel"])
    say_done "withdraw"
    until_step("make-safe")
    at("millrace", ["lock-on"])
    visit "/by-hand"
    say_done "make-safe"
    over
    assert_includes world.world.registry.find(NAME)[:statuses], "clientTransferProhibited"
    within_acts 7
  end

  # A separate privacy service with its identity check, and a registry that asks the holder: nobody
  # answers, it lapses.
  def test_an_identity_check_and_a_lapse
    sign_in
    begin_move("seal-bay-trips.isl.test")
    visit "/by-hand"
    fill_in "Who gave it, and how", with: "Pearl Strand, by telephone"
    act { click_on "Record the consent for 1 name" }
    assert_text "Curlew Screen"
    service = world.app.accounts.find("millrace").privacy_service["site"]
    visitor.act(service, "all", "ask")
    world.until_true(what: "the number") { number }
    visitor.act(service, "all", "check", number: number)
    until_step("privacy-off")
    visitor.act(service, "seal-bay-trips.isl.test", "off")
    visit "/by-hand"
    say_done
    until_step("order")
    ordered("seal-bay-trips.isl.test")
    world.until_true(most: 400, what: "the lapse") do
      world.world.registry.pending("seal-bay-trips.isl.test").nil?
    end
    world.until_true(most: 100, what: "the end is seen") { state.ending || asked_how? }
    visit "/moves/#{@id}"
    if state.ending.nil?
      assert_text "how did this transfer end?"
      click_on "It lapsed"
      act { click_on "Yes: It lapsed" }
    end
    assert_text "Refused"
    within_acts 6
  end

  # Everything at the losing side by email, to the closing.
  def test_a_losing_side_by_letter_only
    sign_in
    begin_move("isles-weather.example")
    by_letter
    world.until_true(most: 200, what: "the code") { state["order"].active? }
    ordered("isles-weather.example")
    world.until_true(what: "the release is due") { state["release"].turn == "yours" }
    by_letter
    until_step("lock-back")
    at("hawser", ["lock-on"], name: "isles-weather.example")
    visit "/by-hand"
    say_done
    over
    visit "/moves/#{@id}"
    assert_text "Settled"
    within_acts 7
  end

  # Only made ready, for somebody else: the sheet with the code is shown once, then it is watched.
  def test_made_ready_and_handed_over
    sign_in
    visit "/names/#{NAME}/ready"
    fill_in "It leaves to (leave empty if you move it later)", with: "The Skerry Trust"
    act { click_on "Make it ready" }
    assert_current_path(%r{\A/moves/})
    assert_text "The Skerry Trust"
    @id = world.app.moves.open.first.id
    world.runner.pass
    at("millrace", ["lock-off"], ["code"])
    visit "/by-hand"
    say_done
    until_step("hand-over")
    code = world.world.registry.find(NAME)[:auth_info]
    visit "/moves/#{@id}"
    act { click_on "Show the hand-over sheet, once" }
    assert_text "Authorization code: #{code}"
    visit "/moves/#{@id}"
    assert_no_text code
    assert_no_button "Show the hand-over sheet, once"
    world.world.exclusively do
      world.world.registry.request_transfer("gannet", NAME, code, years: 1, at: world.world.now)
    end
    world.until_true(most: 100, what: "the landing elsewhere") { !world.move(@id).open }
    visit "/moves/#{@id}"
    assert_text "at Gannet Street Names now"
    within_acts 4
  end

  private

  def begin_move(name = NAME, to: "hawser")
    @id =
      SteadyMove::Desk::Planning::Planner.new(world.app).start(
        SteadyMove::Desk::Planning::Request.new(name: name, to: to),
        by: "ada@saltern-office.example"
      )
    world.runner.pass
  end

  def made_ready(name = NAME)
    begin_move(name)
    at("millrace", ["lock-off"], ["code"], name: name)
    visit "/by-hand"
    say_done
    until_step("order")
    visit "/by-hand"
  end

  def ordered(name = NAME)
    at("hawser", ["card"], name: "all")
    allow_clipboard
    visit "/by-hand"
    act { click_on name.end_with?(".isl.test") ? "Copy the name" : "Copy the name with its code" }
    assert_text "Copied: 1 name"
    at("hawser", ["add", { list: clipboard }], ["pay"], name: "all")
    act { click_on "It is ordered" }
    assert_no_text "Choose “transfer” there"
    confirm_at_hawser(name)
    world.until_true(what: "pending") { state.done?("registry-pending") }
  end

  def over = world.until_true(what: "the end") { !world.move(@id).open }

  def within_acts(most)
    assert_operator @acts, :<=, most, "acts at the desk"
  end

  def asked_how? = state.active.any? { |s| s.event&.data&.key?("which_end") }

  def number
    world
      .app
      .messages
      .all
      .find { |m| m.subject.include?("number for the identity") }
      &.text
      &.slice(/\d{6}/)
  end

  def by_letter
    visit "/by-hand"
    click_on "Write one email for isles-weather.example"
    act { click_on "Send it" }
    assert_text "no answer yet"
  end
end
