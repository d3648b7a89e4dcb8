# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# What a view answers stands at its top, and a view says no more than one reads: measured on the
# demo's day, at the width of a desk and of a telephone.
class BrowserHeadsTest < Minitest::Test
  include Browser

  def new_world = BenchWorld.new(names_at: nil, week: true)

  # Where the answers to the six questions begin: may it move and what is next (the head), when it
  # is done, do site and mail stay up, what it costs, what comes of it.
  ANSWERS = <<~JS
    [...document.querySelectorAll("main .answer, main dl.answers dd")].map((e) => {
      const top = document.querySelector("main .panel")?.getBoundingClientRect().top ?? 0;
      return Math.round(e.getBoundingClientRect().top - top);
    })
  JS
  # Words that are to be seen, with nothing unfolded; of a sheet, without the list beside it.
  WORDS = <<~JS
    (document.querySelector("main .sheet") ?? document.querySelector("main")).innerText.split(/\\s+/).filter((w) => /[\\p{L}\\d]/u.test(w)).length
  JS

  # View => how many words it may have at most; may only shrink.
  MOST = {
    "/" => 240,
    "/moves/MOVE" => 350,
    "/names/saltern-isles.example" => 260,
    "/names/saltern-isles.example/plan?to=orlop&host=lanternroom" => 350,
    "/by-hand" => 250,
    "/batches/BATCH" => 500,
    "/post" => 300,
    "/accounts" => 220
  }.freeze
  # Names of a batch, some of which can't start.
  FLEET = %w[
    northskerry.example
    kelpsound-repairs.example
    skerry-lighthouse-walks.example
    slipway.example
    oyster-smack-charter.example
    saltern-gift-shop.example
    northskerry-freight.example
    saltern-careers.example
  ].freeze
  # Width and height => pixels within which all of it begins.
  WITHIN = { [1280, 800] => 320, [390, 844] => 600 }.freeze
  SHEETS = %w[/moves/MOVE /names/saltern-isles.example].freeze

  def test_heads_and_words
    @move = world.app.moves.open_for("harbourpass.example").id
    sign_in
    @batch, =
      SteadyMove::Desk::Batches::BatchCommands.new(world.app).make(
        FLEET,
        by: Practice::DeskSide::Desk::EMAIL,
        to: "orlop"
      )
    assert_empty twice, "an answer was fetched twice"
    too_long = MOST.filter_map { |path, most| (n = seen(path, WORDS)) > most ? [path, n] : nil }
    assert_empty too_long
    WITHIN.each do |(width, height), most|
      size(width, height)
      SHEETS.each do |path|
        places = seen(path, ANSWERS)
        assert_equal 5, places.size, path
        assert_operator places.max, :<=, most, "#{path} at #{width}: #{places}"
      end
    end
  end

  # Answers that a page which was just opened asked for more than once. Its stream is open by then,
  # and told it nothing.
  def twice
    %w[/ /names /moves /by-hand /ledger].flat_map do |path|
      visit path
      assert_selector "main h1, main .answer"
      page.has_no_selector?("[aria-busy=true]")
      asked = page.evaluate_script("performance.getEntriesByType('resource').map((e) => e.name)")
      asked.grep(%r{/api/(?!clock|practice)}).tally.select { |_, times| times > 1 }.keys
    end
  end

  # Every view in the width of a small telephone, or of a wide window at four times its size
  # (WCAG 2.2, 1.4.10).
  NARROW = %w[
    /
    /names
    /moves
    /post
    /by-hand
    /accounts
    /accounts/dns-hosts
    /accounts/people
    /accounts/settings
    /rulebook
    /status
    /records
    /ledger
    /codes
    /you
    /practice
    /approvals
    /batches
    /help
    /moves/MOVE
    /names/saltern-isles.example
    /records/saltern-isles.example
  ].freeze
  # View => how many presses of Tab lead from the page to what it is opened for, skip links
  # counted; and what that is.
  PRESSES = {
    "/names" => [3, "document.activeElement.matches('[data-row]')"],
    "/names/saltern-isles.example/plan?to=orlop&host=lanternroom" => [
      3,
      "document.activeElement.textContent.includes('Start the move')"
    ],
    "/" => [4, "document.activeElement.textContent.trim() === 'Approve'"]
  }.freeze

  def test_narrow_and_by_keys
    @move = world.app.moves.open_for("harbourpass.example").id
    sign_in
    PRESSES.each do |path, (most, reached)|
      visit path
      assert_selector "main .answer"
      assert_selector "button", text: "Start the move" if path.include?("plan")
      assert_no_selector "main button:disabled" # they sleep for a second
      press = ->(key) { page.driver.browser.action.send_keys(key).perform }
      [:tab, :tab, :enter, *([:tab] * (most - 3))].each { |key| press.call(key) }
      assert page.evaluate_script(reached),
             "#{path}: #{page.evaluate_script("document.activeElement.outerHTML")[0, 200]}"
    end
    size(320, 700)
    wide = NARROW.reject { |path| seen(path, "document.documentElement.scrollWidth") <= 320 }
    assert_empty wide
  end

  private

  def seen(path, script)
    visit path.sub("MOVE", @move.to_s).sub("BATCH", @batch.to_s)
    assert_selector "main h1"
    assert_text "names can start", wait: 60 if path.include?("BATCH")
    assert_no_selector "main [aria-busy=true]"
    assert_selector "main dl.answers dd" if path.match?(%r{/(?:moves|names)/})
    page.evaluate_script(script)
  end
end
