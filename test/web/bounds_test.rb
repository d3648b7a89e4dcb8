# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Where something ends: how many there may be of a kind, who is not there, what has no answer. Each
# is refused with a sentence, and nothing is lost of what stood.
class BoundsTest < Minitest::Test
  include SignedIn

  ADA = Practice::DeskSide::Desk::EMAIL

  def setup
    super
    sign_in
  end

  def detail = answer["detail"]

  # path, what is given each time: how many fit.
  def filled(path, most)
    most.times { |n| assert_equal 200, send_to(path, **yield(n)), last_response.body }
    assert_equal 409, send_to(path, **yield(most))
    assert_match(/#{most}/, detail)
  end

  def test_so_many_and_no_more
    filled("/api/webhooks", 20) { |n| { url: "https://hooks.example/#{n}", types: %w[planned] } }
    get "/api/webhooks"
    assert_equal 20, answer["hooks"].size
    filled("/api/me/tokens", 20) { |n| { title: "Program #{n}", role: "viewer", days: 30 } }
  end

  # path, what is given, status, part of the sentence
  REFUSED = [
    ["webhooks", { url: "https://hooks.example/", types: %w[sail] }, 422, "sail"],
    ["people/ID/forget-factor", {}, 422, "second factor"],
    ["people/ID", { role: nil }, 422, "administrator"],
    ["people/ID", { role: "viewer" }, 422, "administrator"],
    ["people", { email: ADA, role: "viewer" }, 422, ADA],
    ["people", { email: "bo at site", role: "viewer" }, 422, "bo at site"],
    ["invitations/take-back", { email: "nobody@site.example" }, 422, "nobody@site.example"],
    ["post/1/correct", { kind: "sail", names: [] }, 422, "sail"],
    ["post/1/code", { index: 0, name: "kelpquay.example" }, 404, "number 1"],
    ["letters", { account: "tarnbeck", how: "smtp" }, 409, "Nothing waits"],
    ["letters/draft", {}, 422, "account"],
    ["me/password", { old: "wrong-one-27", new: "another-harbour-28" }, 422, "password"],
    ["mailboxes/9/try", {}, 404, "9"]
  ].freeze

  def test_what_is_not_there
    id = world.app.db[:people].where(email: ADA).get(:id)
    REFUSED.each do |path, given, status, says|
      status_now = send_to("/api/#{path.sub("ID", id.to_s)}", **given)
      assert_equal [status, true], [status_now, detail.include?(says)], "#{path}: #{detail}"
    end
  end
end
