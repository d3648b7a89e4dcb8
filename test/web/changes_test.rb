# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Changes over the API that no other test makes: each leaves its line with who (Described holds
# every answer to the contract's own table of lines).
class ChangesTest < Minitest::Test
  include SignedIn

  NAME = "isles-timetable.example"
  OTHER = "saltern-isles.example"

  def setup
    super
    sign_in
  end

  # Sends what the operation of this id takes; path: without /api/.
  def done(path, **body)
    status = send_to("/api/#{path}", **body)
    assert_includes [200, 201], status, "#{path}: #{last_response.body[0, 200]}"
    answer
  end

  def test_accounts_and_what_was_seen_of_them
    done("accounts/orlop/ready", key: "terms", is: true)
    done("accounts/orlop/ready", key: "terms", is: nil)
    done("accounts/tarnbeck/where", act: "unlock", words: "Settings, then Safety")
    done("accounts/tarnbeck/learnt", asks: "factor")
    assert_equal 422, send_to("/api/accounts/orlop/ready", key: "colour", is: true)
    assert_equal 404, send_to("/api/accounts/none/where", act: "unlock", words: "x")
  end

  def test_codes
    code = world.world.registry.find(OTHER)[:auth_info]
    done("codes", text: "#{OTHER},#{code}")
    assert_equal code, done("codes/#{OTHER}/reveal", copied: true)["code"]
    done("codes/#{OTHER}/check")
    done("codes/#{OTHER}/wipe")
    assert_equal 409, send_to("/api/codes/#{OTHER}/reveal")
  end

  def test_names_and_the_rulebook
    done("names/#{OTHER}/let-go")
    assert_equal 1, done("names", account: "tarnbeck", text: OTHER)["added"]
    done("names/#{OTHER}/note", key: "paid", value: true)
    said = { source: "the registry's letter", date: "2027-01-04" }
    done("rulebook/overrides", suffix: "example", key: "new-name", value: "30", **said)
    like = world.app.rulebook.family_of(domain(NAME)).id
    done("rulebook/suffixes", suffixes: %w[quaytest], like: like, **said)
    get "/api/rulebook"
    done("rulebook/overrides/#{answer["overrides"].first["id"]}/take-back")
  end

  def test_people_and_addresses
    done("people", email: "mo@y.example", role: "viewer")
    done("invitations/take-back", email: "mo@y.example")
    hook = done("webhooks", url: "https://a.example/", types: ["done"])["hooks"].first
    done("webhooks/#{hook["id"]}/end")
    token = done("me/tokens", title: "t", role: "viewer", days: 1)["tokens"].first
    done("me/tokens/#{token["id"]}/end")
    id = world.start(NAME, to: "orlop")
    done("shown/move/#{id}")
    done("shown/move/#{id}/end")
  end

  def test_moves
    id = world.start(NAME, to: "orlop")
    done("moves/#{id}/approve") # beforehand: a wish
    done("moves/#{id}/unwish")
    assert_equal 409, send_to("/api/moves/#{id}/accept", step: "unlock", reason: "x")
    wanted = { name: OTHER, parts: %w[unlock], until: "2027-04-01T00:00:00Z" }
    done("preparations", **wanted)
    assert_equal 409, send_to("/api/preparations", **wanted)
  end
end
