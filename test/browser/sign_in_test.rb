# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# What lets a person in, in a real browser with a virtual authenticator (WebAuthn level 2, §11 of
# its automation).
class BrowserSignInTest < Minitest::Test
  include Browser

  PASSWORD = Practice::DeskSide::Desk::PASSWORD

  def setup
    super
    Capybara.app_host = Capybara.app_host.sub("127.0.0.1", "localhost")
    page.driver.browser.execute_cdp("WebAuthn.enable")
    page.driver.browser.execute_cdp(
      "WebAuthn.addVirtualAuthenticator",
      options: {
        protocol: "ctap2",
        transport: "internal",
        hasUserVerification: true,
        isUserVerified: true
      }
    )
  end

  def teardown
    page.driver.browser.execute_cdp("WebAuthn.disable")
    super
  end

  def test_a_passkey_and_recovery_codes
    sign_in
    person { click_on "Your sign-in and settings" }
    fill_in "What the device is called", with: "Blue key"
    within("section", text: "Passkeys") do
      fill_in "Your password", with: PASSWORD
      click_on "Add a passkey"
    end
    assert_text "Blue key"
    axe "what lets a person in"
    within("section", text: "Recovery codes") do
      fill_in "Your password", with: PASSWORD
      click_on "Make recovery codes"
    end
    assert_text "10 are left"
    code = find("section", text: "Recovery codes").text[/\b(?:[a-z0-9]{4}-){3}[a-z0-9]{4}\b/]
    in_again
    axe "the second factor"
    click_on "Use a passkey"
    assert_selector "nav a", text: "Desk"
    in_again
    click_on "The device is lost: use a recovery code"
    fill_in "A recovery code", with: code
    click_on "Continue"
    assert_selector "nav a", text: "Desk"
    in_again
    click_on "The device is lost: use a recovery code"
    fill_in "A recovery code", with: code
    click_on "Continue"
    assert_selector "[role=alert]", text: "used already"
  end

  # Ended elsewhere, a page that is open shows the sign-in by itself; a forgotten password has a way
  # out.
  def test_ended_elsewhere_and_a_forgotten_password
    people = @house.people
    sign_in
    visit "/you"
    assert_text "this one"
    me = people.by_email(Practice::DeskSide::Desk::EMAIL)
    word = people.password_words.make(me[:id], by: "the command line")
    people.sessions.finish_all(me[:id])
    people.note("password_word", "somebody", email: me[:email])
    assert_button "Sign in"
    axe "a session that ended"
    click_on "I forgot my password"
    fill_in "Email", with: "nobody@y.example"
    click_on "Send me a link by email"
    assert_text "an email with a link is on its way"
    visit "about:blank"
    visit "/new-password##{word}"
    fill_in "A password of at least twelve characters", with: "password1234"
    click_on "Join"
    assert_selector "[role=alert]", text: "among the first"
    fill_in "A password of at least twelve characters", with: "eleven grey herons"
    click_on "Join"
    assert_selector "nav a", text: "Desk"
  end

  private

  def in_again
    person { click_on "Sign out" }
    fill_in "Email", with: Practice::DeskSide::Desk::EMAIL
    fill_in "Password", with: PASSWORD
    click_button "Sign in"
    assert_text "The code that your second factor shows"
  end
end
