# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# axe-core in both themes on what stands over a page and on what a page says when something goes
# wrong; and on the views that the journeys pass by.
class BrowserDialogsTest < Minitest::Test
  include Browser

  def press(*keys) = page.driver.browser.action.send_keys(*keys).perform

  def test_axe_finds_nothing_in_dialogs_and_errors
    visit "/"
    fill_in "Email", with: "nobody@saltern-office.example"
    fill_in "Password", with: "not this one"
    click_on "Sign in"
    assert_text "Email or password is wrong."
    axe "a refused sign-in"
    sign_in
    find("h1", visible: :all)
    press "/"
    assert_selector "[role=combobox]"
    axe "the search"
    press :escape
    assert_no_selector "[role=combobox]"
    press "?"
    find("summary", text: "Words").click
    assert_text "the secret by which the holder agrees"
    axe "keys and words"
    press :escape
    what_was_typed
    panels_over_the_names
    the_other_views
  end

  private

  # It is asked about before the page is left; what is wrong with it is tied to its field.
  def what_was_typed
    visit "/names/take-in"
    fill_in "Names, or a table", with: "pier"
    assert_text "has no suffix"
    axe "names that are refused"
    fill_in "Names, or a table", with: "pier.example"
    click_on "Desk"
    assert_text "What you typed is not saved"
    axe "what was typed is asked about"
    click_on "Leave, and lose it"
    assert_selector "nav a[aria-current=page]", text: "Desk"
  end

  def panels_over_the_names
    visit "/names"
    ["Filter ▾", "What if ▾", "Paste a list ▾", "View ▾"].each do |panel|
      click_on panel
      axe panel
      press :escape
    end
  end

  def the_other_views
    %w[
      /approvals
      /batches
      /ledger
      /records
      /help
      /help/codes
      /you
      /begin
      /names/no-such.example
      /moves/999
      /nowhere
    ].each do |path|
      visit path
      assert_selector "h1, [role=alert]"
      axe path
    end
  end
end
