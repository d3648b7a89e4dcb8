# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# A visit to a registrar's pages in a window beside them: one task at a time, its values copied by
# key, what was said and what was proven; a host's records one by one.
class BrowserVisitTest < Minitest::Test
  include Browser

  NAMES = %w[kelpsound.example slipway.example].freeze
  SHOP = "saltern-gift-shop.example"
  NARROW = 360

  def new_world = BenchWorld.new(names_at: %w[millrace fairlead])
  def visitor = @visitor ||= Practice::DeskSide::Visitor.new(world.world.scenario)
  def key(text) = page.driver.browser.action.send_keys(text).perform
  def width = page.evaluate_script("document.documentElement.scrollWidth")

  def test_one_task_at_a_time
    NAMES.each { |n| world.start(n, to: "orlop") }
    world.runner.pass
    sign_in
    visit "/by-hand"
    within("section", text: "Millrace Registrations") { click_on "Visit, one task at a time" }
    within_window(windows.last) do
      size(NARROW, 760)
      assert_selector "h1", text: "Take the transfer lock off"
      assert_text "1 of 3"
      assert_selector "li", text: NAMES.first, match: :first
      assert_operator width, :<=, NARROW
      key "c"
      assert_text "Copied: Name."
      key "n"
      assert_text "2 of 3"
      2.times { key "n" }
      assert_text "1 of 3"
      axe "a visit"
      a_refusal
      unlocked_and_said
      taken_back
    end
  end

  # Nothing counts as proven before the public record shows it.
  def unlocked_and_said
    visitor.act(world.app.accounts.find("millrace").habits["site"], NAMES.first, "lock-off")
    click_on "Done, next"
    assert_text(/\d of 2/)
    within("li", text: "Said to be done, not proven yet") { assert_text NAMES.first }
    assert_no_selector "li", text: /\AProven/
    world.until_true(what: "the proof") do
      world.app.moves.open_for(NAMES.first).state.done?("unlock")
    end
    visit current_path
    within("li", text: /\AProven/) { assert_text "Take the transfer lock off" }
  end

  # What was said by mistake is to be done again.
  def taken_back
    count = all("li", text: "Said to be done").size
    click_on "Done, next"
    assert_selector "li", text: "Said to be done", count: count + 1
    within(first("li", text: "Said to be done")) { click_on "Not done after all" }
    assert_selector "li", text: "Said to be done", count: count
  end

  def test_records_one_by_one
    world.app.zone_migrations.put(SHOP, by: "ada", at: world.app.now, host_id: "cleat")
    zone = { source: "file", text: <<~ZONE, by: "ada" }
      $TTL 3600
      @ SOA ns.fairlead-dns.example. a.b 1 2 3 4 5
      @ NS one.fairlead-dns.example.
      @ A 203.0.113.80
      @ MX 10 forward.fairlead-dns.example.
      www CNAME pages.fairlead-dns.example.
    ZONE

    SteadyMove::Desk::Records::ZoneGetting.new(world.app).call(SHOP, **zone)
    sign_in
    visit "/visit/records/#{SHOP}"
    assert_text "1 of 3"
    axe "records one by one"
    3.times { find("button", text: /\AEntered/).click }
    assert_selector "h1", text: "All 3 were entered: ask the servers."
    assert_text "0 of 3 record sets answered as wanted"
  end

  private :unlocked_and_said, :taken_back

  private

  # What its support said stands by the task from then on, with the way to it.
  def a_refusal
    click_on "It refuses this"
    fill_in "What does it say of", with: "Not before the invoice is paid."
    click_on "Save"
    assert_text "won't do it: “Not before the invoice is paid”."
    assert_no_button "Save"
  end
end
