# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"
require_relative "../support/by_tree"

# A move from sign-in to its end by whoever hears the page instead of seeing it: found and pressed
# by nothing but roles and accessible names.
class BrowserByTreeTest < Minitest::Test
  include Browser
  include ByTree

  NAME = "saltern-isles.example"

  def test_a_name_is_moved_by_what_is_heard
    sign_in_by_name
    plan
    press "button", "Start the move for 9.02 EUR"
    assert_told(/Wait until no cache holds/)
    press "link", "Desk"
    step_until(/\AApprove the release of #{NAME}/)
    press "button", /\AApprove the release/
    press("button", /\AYes, release #{NAME} to Orlop Domain Desk/)
    step_until(/5 of 5 as ordered/)
    press "link", NAME
    assert_told "Settled"
  end

  private

  def sign_in_by_name
    visit "/"
    type "textbox", "Email", Practice::DeskSide::Desk::EMAIL
    type "textbox", "Password", Practice::DeskSide::Desk::PASSWORD
    press "button", "Sign in"
    press "link", "Names"
  end

  def plan
    press "link", /\A#{NAME}/
    assert_told(/go down, unless carried/)
    press "link", "Plan its move"
    by_name "heading", /The move to/
    choose "To the account", "Orlop Domain Desk"
    by_name "heading", /Orlop Domain Desk/
    choose "Name servers and records", "Carry to Lanternroom DNS"
    assert_told(/saves 5.98 EUR/)
  end

  def step_until(name)
    12.times do
      return if told?(name)

      before = now
      press "button", "To next event"
      until_then { now != before }
    end
    assert_told name
  end

  def now = world.app.now
end
