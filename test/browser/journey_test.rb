# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

class BrowserJourneyTest < Minitest::Test
  include Browser

  NAME = "saltern-isles.example"

  # What a newcomer does: sign in, choose a name, plan, start, move the clock on, approve, read what
  # was checked.
  def test_a_name_is_moved_from_end_to_end
    sign_in
    assert_text "Nothing is under way"
    click_on "Names"
    assert_selector "[data-row]", count: 12
    click_on NAME
    assert_text "go down, unless carried"
    click_on "Show the evidence"
    assert_text "RFC 5731 §2.3"
    click_on "Plan its move"
    select "Orlop Domain Desk", from: "To the account"
    select "Carry to Lanternroom DNS", from: "Name servers and records"
    ["9.02 EUR", "saves 5.98 EUR", "24 Sep 2028", "15 record sets", "1 day 2 h"].each do |t|
      assert_text t
    end
    click_on "Start the move for 9.02 EUR"
    assert_text "Wait until no cache holds the old host's answers"
    assert_selector "svg[role=group][aria-label^='Track with 17 steps']"

    click_on "Desk"
    assert_text "The clock’s"
    on_until "Approve the release of #{NAME}"
    click_button "Approve the release"
    click_button "Yes, release #{NAME} to Orlop Domain Desk; this can’t be taken back"
    assert_selector ".others li", text: /\A#{NAME}\s+released/
    on_until "5 of 5 as ordered"
    click_on NAME
    assert_text "Settled"
    within("table", text: "As ordered") { assert_selector "tbody tr", text: "agrees", count: 5 }
    assert_text "wiped"
    find("summary", text: "Journal").click
    assert_text "-order-1"
    click_on "Post"
    find("nav a", text: "Asks for an approval").click
    assert_text "Please approve the transfer of #{NAME}"
  end

  # The page changes by itself when something happens elsewhere.
  def test_desk_and_sheet_change_by_themselves
    sign_in
    assert_text "Nothing is under way"
    id = world.start("isles-timetable.example", to: "orlop")
    assert_selector ".lanes a", text: "isles-timetable.example"
    visit "/moves/#{id}"
    assert_text "Cancel the move"
    world.orders.call_off(id, by: "somebody else")
    assert_text "Cancelled"
  end

  # A browser keeps only a few connections to one server: a page that is left must not keep one.
  def test_a_page_that_is_left_lets_go_of_its_stream
    sign_in
    page.execute_script(
      "const close = EventSource.prototype.close; EventSource.prototype.close = function () { " \
        "localStorage.setItem('let-go', this.url); return close.call(this) }"
    )
    visit "/names"
    assert_selector "nav a", text: "Desk"
    assert_match(%r{/api/events\z}, page.evaluate_script("localStorage.getItem('let-go')"))
  end

  def test_a_name_that_is_barred_says_why
    sign_in
    visit "/names/tern-island-cruises.example"
    [
      "Blocked",
      "The registry itself forbids a transfer (serverTransferProhibited)",
      "Ask the losing registrar",
      "Site and mail"
    ].each { |t| assert_text t }
    assert_no_link "Plan its move"
    visit "/names/kelpquay.example"
    ["Wait until", "within 60 days of its creation", "in 19 days"].each { |t| assert_text t }
    visit "/names/kelpquay.example/plan"
    assert_selector "[role=alert]", text: "within 60 days"
    assert_button "Start the move", disabled: true
  end

  def test_trouble_outside_is_said_on_the_sheet
    sign_in
    visit "/practice"
    check "Tarnbeck Names refuses connections"
    assert_checked_field "Tarnbeck Names refuses connections"
    visit "/moves/#{world.start("harbourpass.example", to: "orlop")}"
    assert_text(/can't be reached|closed the connection/)
    assert_text "Nothing is lost; it is tried again"
    assert_text "Next check"
    visit "/names/harbourpass.example"
    click_on "Refresh facts"
    assert_selector "[role=alert]", text: "Tarnbeck Names"
  end

  def test_keys_dark_mode_and_a_narrow_page
    sign_in
    find("body").send_keys "2"
    assert_text "4 ready"
    find("body").send_keys "/"
    fill_in "Search names, moves, views and acts", with: "careers"
    find("[role=combobox]").send_keys :enter
    assert_selector "h1", text: "saltern-careers.example"
    find("body").send_keys :escape
    click_on "Expiry"
    assert_selector "[aria-rowindex='2']", text: "nightboat-saltern.example"
    click_on "Expiry"
    assert_selector "[aria-rowindex='2']", text: "northskerry-line.example"
    fill_in "Search names", with: "freight"
    assert_selector "[data-row]", count: 1
    assert_current_path "/names?sort=-expiry&q=freight"
    page.driver.browser.navigate.refresh
    assert_selector "[data-row]", count: 1
    find("body").send_keys "j", :enter
    assert_selector "h1", text: "saltern-freight.example"
    find("body").send_keys :escape
    assert_no_selector "h1", text: "saltern-freight.example"
    find("body").send_keys "?"
    assert_selector "dialog[open]", text: "These keys"
    find("body").send_keys :escape
    person { click_on "Dark" }
    assert_selector "html.dark"
    size(390, 844)
    [
      "/",
      "/names",
      "/names/#{NAME}",
      "/names/#{NAME}/plan",
      "/names/batch?tray=#{NAME},harbourpass.example",
      "/moves",
      "/by-hand",
      "/post",
      "/codes",
      "/rulebook",
      "/accounts",
      "/accounts/dns-hosts",
      "/accounts/people",
      "/accounts/settings",
      "/approvals",
      "/batches",
      "/by-hand",
      "/ledger",
      "/records",
      "/you",
      "/help",
      "/status",
      "/practice"
    ].each do |path|
      visit path
      assert_selector "nav .menu"
      assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, 390, path
    end
  end

  # What nobody here ordered and what is forged stand where a person looks first; nothing is done on
  # a forged word.
  def test_a_stranger_and_a_forger
    sign_in
    visit "/practice"
    find("li", text: "Somebody else orders").click_button("Let it happen")
    assert_selector "li button:not([disabled])", text: "Let it happen", count: 3
    find("li", text: "An email comes").click_button("Let it happen")
    click_on "Post"
    find("nav a", text: "Doubtful.", match: :first).click
    assert_text "Not relied on."
    assert_no_text "Wreck-4711-Haven"
    click_on "Desk"
    assert_text "Somebody asked for the transfer of nightboat-saltern.example, and nobody here " \
                  "ordered it."
    axe "a stray on the Desk"
    click_on "Refuse the transfer"
    click_on "Yes, nightboat-saltern.example stays here"
    assert_no_text "nobody here ordered it"
    click_on "Names"
    assert_selector "[role=row]", text: /nightboat-saltern.*Ready/m
  end

  # An account is changed in place, and not removed while something rests on it.
  def test_an_account_is_changed_in_place
    sign_in
    visit "/accounts"
    click_on "Change it: Tarnbeck Names"
    fill_in "Own name for it", with: "タルンベック"
    fill_in "Price of a year", with: "16"
    axe "an account's form"
    click_on "Try the connection and save"
    assert_selector "tr", text: "16.00 EUR"
    held = world.app.accounts.find("tarnbeck")
    assert_equal ["タルンベック", 1390, true],
                 [
                   held.title,
                   held.prices["transfer"],
                   held.sender_domains.any? && !held.secret.nil?
                 ]
    click_on "Change it: タルンベック"
    click_on "Remove タルンベック"
    click_on "Remove it for good"
    assert_text "タルンベック can't be removed: 12 names stand at it"
  end

  def test_axe_finds_nothing
    world.start("isles-timetable.example", to: "orlop")
    world.runner.pass
    visit "/"
    axe("sign-in")
    sign_in
    [
      "/",
      "/names",
      "/names/#{NAME}",
      "/names/#{NAME}/plan",
      "/names?at=2027-05-01T08:00:00Z&group=gate&tray=#{NAME}",
      "/names/take-in",
      "/moves",
      "/moves/1",
      "/post",
      "/codes",
      "/rulebook",
      "/accounts",
      "/status",
      "/practice"
    ].each do |path|
      visit path
      assert_selector "main, section"
      assert_no_text "working it out"
      axe(path)
    end
  end
end
