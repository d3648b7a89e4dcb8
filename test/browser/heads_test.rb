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
  # Words that are to be seen, with nothing unfolded.
  WORDS = <<~JS
    document.querySelector("main").innerText.split(/\\s+/).filter((w) => /[\\p{L}\\d]/u.test(w)).length
  JS

  # View => how many words it may have at most; may only shrink.
  MOST = {
    "/" => 425,
    "/moves/MOVE" => 480,
    "/names/saltern-isles.example" => 640,
    "/names/saltern-isles.example/plan?to=orlop&host=lanternroom" => 690,
    "/by-hand" => 360,
    "/post" => 640,
    "/accounts" => 750
  }.freeze
  # Width and height => pixels within which all of it begins.
  WITHIN = { [1280, 800] => 320, [390, 844] => 600 }.freeze
  SHEETS = %w[/moves/MOVE /names/saltern-isles.example].freeze

  def test_heads_and_words
    @move = world.app.moves.open_for("harbourpass.example").id
    sign_in
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

  private

  def seen(path, script)
    visit path.sub("MOVE", @move.to_s)
    assert_selector "main h1"
    assert_no_selector "main [aria-busy=true]"
    assert_selector "main dl.answers dd" if path.match?(%r{moves/|names/})
    page.evaluate_script(script)
  end
end
