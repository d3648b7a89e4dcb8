# frozen_string_literal: true

require_relative "long_sheet"

# 500 open moves on their axis in Debian's Chromium; what took the page's thread longest while they
# were scrolled.
class LongAxis < LongSheet
  def initialize(count)
    @assertions = 0
    setup
    Object
      .new
      .extend(ManyMoves)
      .then { |m| count.times { |i| m.add_name(world, world.world.registry, i, like: LIKE) } }
    world.runner.pass
  end

  LIKE = "isles-timetable.example"

  # Milliseconds of the longest task after the page has been drawn.
  def longest
    sign_in
    page.driver.browser.execute_cdp("Page.addScriptToEvaluateOnNewDocument", source: WATCH)
    visit "/moves"
    assert_selector ".axis a[data-row]", minimum: 5
    page.execute_script("window.tasks = []")
    30.times do |i|
      page.execute_script("document.querySelector('.axis').scrollTop = #{i * 600}")
      page.evaluate_async_script(
        "requestAnimationFrame(() => setTimeout(() => arguments[0](true), 60))"
      )
    end
    page.evaluate_script("Math.round(Math.max(0, ...window.tasks))")
  end
end
