# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# What people do by hand, with the counters open in the same browser.
class BrowserHandsTest < Minitest::Test
  include Browser

  def new_world = BenchWorld.new(names_at: %w[millrace cobble])

  def begin_moves(*names)
    ids = names.map { |n| world.start(n, to: "orlop") }
    world.runner.pass
    ids
  end

  # Opens a place that the page links to, signs in there, does the block's acts, and comes back.
  def at_counter(title, login, password)
    back = current_path
    opened = window_opened_by { first(:link, title, exact: true).click }
    within_window(opened) do
      fill_in "Name", with: login
      fill_in "Password", with: password
      click_on "Enter"
      yield
    end
    opened.close
    visit back
  end

  def test_a_name_behind_a_privacy_service_is_made_ready_by_hand
    begin_moves("kelp-sound-hire.example")
    sign_in
    assert_text "Record the owner’s consent for 1 name"
    find("article", text: "Record the owner’s consent").click_on("Open")
    assert_text "before the privacy service goes off"
    fill_in "Who gave it, and how", with: "Pearl Strand, by telephone"
    click_on "Record the consent for 1 name"
    assert_text "Curlew Screen"
    at_counter("Curlew Screen", "kelpsound", "mud-flat-55") do
      click_on "Send me a number for the identity check"
      assert_text "on its way"
    end
    click_on "To next event"
    assert_selector "button:not([disabled])", text: "+15 min"
    world.until_true { world.app.messages.all.any? { |m| m.subject.include?("number") } }
    number = world.app.messages.all.find { |m| m.subject.include?("number") }.text[/\d{6}/]
    visit "/by-hand"
    at_curlew do
      fill_in("Number", with: number) && click_on("Check") &&
        assert_text("The identity check is passed")
    end
    on_until "turn the privacy service off"
    at_curlew do
      click_on "kelp-sound-hire.example"
      click_on "Show the contacts"
      assert_text "The privacy service is off"
    end
    within("section", text: "Curlew Screen") do
      assert_button "Tick what is done", disabled: true
      first("li input[type=checkbox]").check
      click_on "This task is done"
    end
    visit "/moves/#{world.app.moves.open.first.id}"
    assert_text "The contacts are public for"
    assert_text "Pearl Strand, by telephone consents until"
    within("section[aria-label^='Take the transfer lock off']") do
      assert_text "The desk checks it from outside."
      click_on "I have done it"
      assert_text "checks from outside before it counts"
    end
    assert_text "the public record still shows the lock"
    click_on "Check now"
    assert_text "the public record still shows the lock"
  end

  def at_curlew(&)
    back = current_path
    opened = window_opened_by { first(:link, "Curlew Screen", exact: true).click }
    within_window(opened, &)
    opened.close
    visit back
  end

  def test_one_letter_for_two_names_and_its_answer
    begin_moves("saltern-harbour.example", "isles-weather.example")
    sign_in
    assert_text "Write to Cobble and Keel for 2 names"
    click_on "Write the email"
    click_on "Write one email for 2 names"
    assert_field "The email",
                 with:
                   /Please take the transfer lock off:\n  saltern-harbour.example\n  isles-weather.example/
    assert_link "Open it in your mail program"
    fill_in "The email", with: "#{find_field("The email").value}\nThank you."
    click_on "Send it"
    assert_text "no answer yet"
    assert_no_button "Send it"
    on_until "answered", most: 30
    visit "/post"
    find("nav a", text: "saltern-harbour.example", match: :first).click
    assert_text "Unlock 2 names"
    assert_no_text world.world.registry.find("isles-weather.example")[:auth_info]
  end

  def test_the_people_behind_a_name
    sign_in
    visit "/names/kelpsound.example"
    find("[role=tab]", text: "Contacts").click
    within("[role=tabpanel]") do
      assert_text "not reached: an email came back"
      assert_text "This mailbox lies on the name itself"
      click_on "What can be done about an address"
      assert_text "An edit there counts only 6 hours later"
      assert_text "has to be read before"
      choose "Change the administrative contact's address"
      fill_in "The new address", with: "pearl@kelp-office.example"
      click_on "Change it"
      assert_text(/Email of the administrative contact:\s+pearl@kelp-office.example/)
      all(:button, "Send it a word").last.click
      assert_text "a word was sent, it has not come back yet"
    end
  end

  def test_a_tray_is_planned_and_started_at_once
    sign_in
    visit "/names?q=sal"
    check "All 3 into the tray"
    assert_text "3 names in the tray"
    uncheck "All 3 into the tray"
    assert_no_text "in the tray"
    visit "/names?tray=slipway.example,saltern-harbour.example,oyster-smack-charter.example"
    click_on "Plan these 3 moves"
    click_on "See what it would do"
    assert_text "2 of 3 names can start, for 9.02 EUR together"
    assert_text "1 price is not known and not in the sum"
    within("[role=row]", text: "oyster-smack-charter.example") do
      assert_text "within 60 days of its creation"
    end
    find("summary", text: "How it is done").click
    uncheck "One name first, on trial"
    click_on "Save"
    click_on "Start 2 names for 9.02 EUR"
    assert_text "Running"
    world.runner.pass
    visit "/by-hand"
    assert_text "Write one email for saltern-harbour.example"
    within("section", text: "Millrace Registrations") do
      assert_text "Open slipway.example and take the transfer lock off"
    end
  end

  def test_a_message_is_dropped_in_and_put_right
    file = File.join(world.folder, "offer.eml")
    File.write(
      file,
      "From: a@elsewhere.test\r\nMessage-ID: <1@b>\r\nSubject: Please approve the transfer of " \
        "slipway.example\r\n\r\nApprove it.\r\n"
    )
    sign_in
    visit "/post"
    attach_file "Add saved messages (.eml)", file
    assert_text "offer.eml: added"
    click_on "slipway.example"
    article = find("article", text: "Doubtful. Not relied on.")
    within(article) do
      find("summary").click
      select "Offer to stay", from: "It is"
      click_on "Put it right"
    end
    assert_text "1 offer to stay"
    attach_file "Add saved messages (.eml)", file
    assert_text "in the post already"
  end

  # axe-core on the views with something in them.
  def test_axe_finds_nothing_by_hand
    begin_moves("kelp-sound-hire.example", "saltern-harbour.example")
    sign_in
    visit "/by-hand"
    click_on "Write one email for saltern-harbour.example"
    assert_field "The email"
    axe("/by-hand")
    [
      "/moves/#{world.app.moves.open.first.id}",
      "/names/kelpsound.example",
      "/names/batch?tray=slipway.example,saltern-harbour.example"
    ].each do |path|
      visit path
      assert_selector "section.panel"
      assert_no_text "names checked."
      axe(path)
    end
    size(390, 844)
    [
      "/by-hand",
      "/moves/#{world.app.moves.open.first.id}",
      "/names/kelpsound.example"
    ].each do |path|
      visit path
      assert_selector "h1"
      assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, 390, path
    end
  end
end
