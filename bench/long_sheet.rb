# frozen_string_literal: true

require "minitest"
require "minitest/assertions"
require_relative "../test/support/browser"

# A name with a long zone, opened in Debian's Chromium; what took the page's thread longest.
class LongSheet
  include Minitest::Assertions
  include Browser

  NAME = "salternferries.example"
  WATCH =
    "window.tasks = []; new PerformanceObserver((l) => l.getEntries().forEach((e) => " \
      "window.tasks.push(e.duration))).observe({ type: 'longtask', buffered: true })"

  attr_accessor :assertions

  def initialize(sets)
    @assertions = 0
    setup
    text =
      "$TTL 3600\n@ SOA a b 1 2 3 4 5\n" \
        "#{Array.new(sets) { |i| "h#{i} A 192.0.2.#{i % 250}\n" }.join}"
    SteadyMove::Desk::Records::ZoneGetting.new(world.app).call(
      NAME,
      source: "file",
      text: text,
      by: "ada@saltern-office.example"
    )
    SteadyMove::Desk::Records::ZoneMigration.new(world.app).choose(
      NAME,
      by: "bench",
      host_id: "lanternroom"
    )
  end

  def new_world = BenchWorld.new(names_at: %w[tarnbeck])

  # Milliseconds of the longest task.
  def longest
    sign_in
    page.driver.browser.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: WATCH)
    visit "/records/#{NAME}"
    assert_text "5000 record sets"
    fill_in "Name or type", with: "h4"
    assert_text "h4"
    click_button "not there yet 5000"
    page.execute_script("window.scrollTo(0, document.body.scrollHeight)")
    page.evaluate_script("Math.round(Math.max(0, ...window.tasks))")
  end

  def close = teardown
end
