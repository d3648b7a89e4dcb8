# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# A client's agreement from the batch to the client's page and back. On the way the password is
# asked for once more: its dialog takes the focus to the password, and gives it back.
class BrowserAgreementTest < Minitest::Test
  include Browser

  ADA = Practice::DeskSide::Desk::EMAIL
  NAMES = %w[nightboat-saltern.example isles-timetable.example].freeze

  def test_from_the_batch_to_the_clients_page_and_back
    sign_in
    id, = SteadyMove::Desk::Batches::BatchCommands.new(world.app).make(NAMES, by: ADA, to: "orlop")
    world.app.db[:sessions].update(confirmed_at: nil)
    visit "/batches/#{id}"
    find("summary", text: "Agreement of a client").click
    click_on "Make the page"
    assert_selector "dialog[open]"
    assert_selector "#again-password:focus"
    click_on "Not now"
    assert_no_selector "dialog"
    assert_selector "button:focus", text: "Make the page"
    click_on "Make the page"
    axe "the password once more"
    fill_in "again-password", with: Practice::DeskSide::Desk::PASSWORD
    within("dialog") { click_on "Go on" }
    assert_text "This address is shown once"
    address = page.text[%r{/agreement#\S+}]
    visit "about:blank"
    visit address
    assert_selector "h1", text: "Two names are to move. Do you agree?"
    axe "a client's agreement"
    fill_in "Your name", with: "Jo Marsh"
    click_on "I agree"
    assert_selector "h1", text: "You have agreed."
    visit "/batches/#{id}"
    assert_text "Jo Marsh agreed"
  end
end
