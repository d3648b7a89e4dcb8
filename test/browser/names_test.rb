# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# The list of names and the rulebook, as somebody works with them.
class BrowserNamesTest < Minitest::Test
  include Browser

  # The whole portfolio, as in the demo.
  def new_world = BenchWorld.new(names_at: nil)

  # To whatever has the focus.
  def press(key) = page.driver.browser.action.send_keys(key).perform

  # What if we start in April: the list is judged anew, says what changes, and all of it stands in
  # the URL.
  def test_what_if
    sign_in
    visit "/names"
    assert_text "48 held; renewing costs"
    assert_button "8 waiting"
    assert_text "20 of 48 names may go now, 14 need you first."
    click_on "What if"
    fill_in "What if we start on", with: "15 Apr 2027\t"
    assert_text "5 from wait to ready"
    assert_button "2 waiting"
    click_on "Only what changes"
    assert_text "13 of 48"
    click_on "What if"
    select "Cobble and Keel", from: "going to"
    assert_text "from ready to needs you"
    click_on "Filter"
    select "Grouped by gate", from: "Grouped by"
    assert_selector "[role=cell]", text: /Needs you\s+no way to pay; now: ready/
    page.driver.browser.navigate.refresh
    assert_text "As it would stand on 15 Apr 2027"
    click_on "Back to today"
    assert_text "48 held"
  end

  # Along the large ruler the verdict follows.
  def test_the_line_on_the_ruler
    sign_in
    visit "/names/northskerry-line.example"
    assert_text "Wait until"
    find("input[type=range]").send_keys(*([:arrow_right] * 38))
    assert_text "if nothing else changes until"
    assert_selector ".kicker", text: "Ready"
    assert_selector "dd", text: "in 37 days"
  end

  def test_keys_and_tray
    sign_in
    visit "/names?sort=name"
    assert_selector "[data-row]", minimum: 10
    press "j"
    press "x"
    press "j"
    press "x"
    assert_text "2 names in the tray"
    click_on "For all of them"
    axe "one act for the tray"
    select "yes", from: "Its value"
    click_on "Do it for 2 names"
    assert_text "Done for 2 names."
    paid = ->(name) { world.app.names.facts(name)[:paid] }
    names = %w[dolphin-watch-skerry.example ferry-cats.example]
    assert_equal([true, true], names.map { |n| paid.call(n) })
    find("body").send_keys :escape
    visit "/moves"
    visit "/names?sort=name" # it stays until it is emptied
    assert_text "2 names in the tray"
    list = URI.join(page.current_url, find_link("Judged list (CSV)")[:href])
    assert_equal "names=dolphin-watch-skerry.example,ferry-cats.example", list.query
    press "p"
    assert_current_path %r{/names/batch}
    click_on "See what it would do"
    assert_text "1 of 2 names can start"
    assert_no_text "in the tray"
    visit "/names"
    assert_selector "[data-row]", minimum: 10
    press "t"
    assert_equal "what-if", page.evaluate_script("document.activeElement.id")
  end

  # A site's own word: which names it changes is shown before it is saved; it is taken back again.
  def test_the_rulebook_is_overruled
    sign_in
    visit "/rulebook"
    assert_text "Handed over by the losing side"
    select "Newly registered", from: "Value or rule"
    within("section", text: "Overrule a value") do
      fill_in "Suffix", with: ".example"
      fill_in "is here", with: "30"
      click_on "Show which names it changes"
      assert_text "It changes 3 of 44 names"
      assert_text "kelpquay.example"
      fill_in "Source", with: "the registry's letter"
      fill_in "of", with: Date.new(2027, 1, 4)
      click_on "Save"
    end
    assert_text "For .example, Newly registered is 30"
    visit "/names/kelpquay.example"
    assert_selector ".kicker", text: "Needs you"
    visit "/rulebook"
    click_on "Take it back"
    assert_text "taken back"
    visit "/names/kelpquay.example"
    assert_selector ".kicker", text: "Wait until"
  end

  # What was typed is understood, shown, and can be let go; a table's columns are mapped; a note
  # changes the verdict.
  def test_names_are_taken_in_and_noted
    sign_in
    world.app.names.drop("ferry-cats.example")
    visit "/names/take-in"
    fill_in "Names, or a table",
            with:
              "https://WWW.Ferry-Cats.example/about # the cats\nbad_name.example; kelpsound.example"
    ["1 new, 1 on the list already, 1 is no name", "the part “bad_name” must have"].each do |t|
      assert_text t
    end
    axe "names that are looked at"
    click_on "Add 1 name"
    assert_text "1 added, 1 on the list already"
    click_on "Undo this import"
    click_on "Take 1 name off again", disabled: false
    assert_text "This import was undone"
    mend_a_table
    find("summary", text: "Note something by hand").click
    select "A dispute over it", from: "What is noted"
    fill_in "Its value", with: "case 3"
    click_on "Note it"
    assert_text "A dispute or an order stands over the name: case 3."
  end

  # A list of codes is looked at line by line; the code is shown on somebody's word, and in the page
  # only then.
  def test_the_code_safe
    sign_in
    visit "/codes"
    assert_text "saltern-press.fjd.test"
    fill_in "One name and its code a line",
            with: "kelpsound.example,Ab,9;x\"1\nnobody.example,xx1234\nharbourpass.example"
    click_on "Check each line first"
    [
      "Keep 1 of 3",
      "“nobody.example” is not on the list of names.",
      "no code stands behind the name"
    ].each { |t| assert_text t }
    click_on "Keep 1 of 3"
    row = find("tr", text: "kelpsound.example", match: :first)
    refute_includes page.html, "Ab,9;x"
    row.click_on "Show"
    assert_text "Ab,9;x\"1"
    row.click_on "Check"
    assert_selector "tr", text: "the registry rejects it", minimum: 2
    row = find("tr", text: "kelpsound.example", match: :first)
    row.click_on "Wipe"
    row.click_on "Wipe it for good"
    within("table", text: "Valid until") { assert_no_text "kelpsound.example" }
  end

  # Ten thousand names: at most a hundred rows stand in the document, wherever one scrolls.
  def test_a_long_list_is_virtual
    many = (1..10_000).map { |i| format("many-%05d.example", i) }
    db = world.app.db
    db[:names].multi_insert(
      many.map { |n| { name: n, unicode: n, account_id: "cobble", taken_at: 0 } }
    )
    facts = JSON.generate({ statuses: ["ok"], created_at: { at: 0 } })
    db[:sightings].multi_insert(
      many.map { |n| { name: n, source: "account", facts: facts, seen: "{}", seen_at: 0 } }
    )
    sign_in
    visit "/names?sort=-name"
    assert_text "10048 held"
    [0, 170_000, 339_000].each do |place|
      page.execute_script("document.querySelector('.scroller').scrollTop = #{place}")
      unless place.zero?
        assert_selector "[data-row]",
                        text: format("many-%05d", 10_000 - (place / 34) + 12),
                        wait: 20
      end
      assert_operator all("[role=row]").size, :<=, 100
    end
  end

  private

  # Columns say themselves what they hold, what can be read in two ways is asked, what can't be is
  # mended in its place, and an unknown registrar becomes an account.
  def mend_a_table
    fill_in "Names, or a table", with: <<~CSV
      Domain;Held at;Runs out;Paid;Fee
      ferry-cats.example;Old Pier;03/04/2027;no;9.90
      kelpsound.example;Cobble and Keel;05/04/2027;perhaps;12
    CSV
    assert_text "1 new, 1 on the list already, 2 need a look"
    select "Expiry", from: "What “Runs out” holds"
    within(find("fieldset", text: "“03/04/2027” is")) { click_on "3 April 2027" }
    fill_in "Currency, three letters", with: "eur\t"
    fill_in "Line 3, Paid: yes or no", with: "yes\t"
    assert_no_text "needs a look"
    assert_select "Old Pier (1 name)", selected: "a new account, kept by hand"
    axe "a table that is looked at"
    assert_no_button "Undo this import"
    click_on "Add 1 name"
    assert_button "Undo this import" # the sentence of the one before may be the same
    assert_text "1 added, 1 on the list already"
    visit "/names/ferry-cats.example"
    assert_text "The last period is paid: no"
    noted = world.app.names.told("ferry-cats.example", :hand)
    assert_equal [Time.utc(2027, 4, 3), 990, false],
                 [noted[:expires_at], noted[:stay_price]["minor"], noted[:paid]]
  end
end
