# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# People from the machine's command line, while the desk runs: the only administrator, locked out,
# gets in again.
class PeopleCommandsTest < Minitest::Test
  include SignedIn

  ADA = Practice::DeskSide::Desk::EMAIL

  # As the command does it, but by the practice world's clock.
  def people(*words)
    config =
      SteadyMove::Desk::Config.new(
        { "data" => File.join(world.folder, "desk"), "address" => "https://desk.example" }
      )
    other = SteadyMove::Desk::App.new(config, clock: world.desk.clock)
    SteadyMove::PeopleCommands.new(other, out = StringIO.new).call(words.first, words.drop(1))
    out.string
  ensure
    other&.close
  end

  def last_line = world.app.journal.page(type: "people").first

  def test_whoever_is_locked_out_gets_in_again
    6.times { sign_in(ADA, "not-the-word-27") }
    assert_equal 429, sign_in
    assert_includes people("unlock", ADA), "at once"
    assert_equal "the command line", last_line.by
    assert_equal 200, sign_in
  end

  def test_a_new_password_and_no_second_factor
    word = people("password", ADA)[%r{https://desk.example/new-password#(\S+)}, 1]
    take_token
    assert_equal 200, send_to("/api/password/new", word: word, password: "another-harbour-28")
    assert_equal 200, sign_in(ADA, "another-harbour-28")
    assert_includes people("end-sessions", ADA), "nowhere"
    assert_equal 401, get("/api/names").status
  end

  def test_added_changed_listed_and_removed
    word = people("add", "mo@saltern-office.example", "mover")[%r{/invited#(\S+)}, 1]
    take_token
    assert_equal 200, send_to("/api/invitations/accept", word: word, password: "mover-of-names-27")
    people("role", "mo@saltern-office.example", "viewer")
    assert_match(
      /^mo@saltern-office.example\tviewer\tno second factor\t0 sessions$/,
      people("list")
    )
    people("remove", "mo@saltern-office.example")
    refute_includes people("list"), "mo@"
    assert_nil world.app.journal.broken_at, "the chain stays whole when a person goes"
  end

  # words => part of the refusal
  REFUSED = {
    ["remove", ADA] => "only administrator",
    %w[role nobody@x.example viewer] => "nobody here",
    ["role", ADA, "king"] => "not one of",
    ["forget-factor", ADA] => "no second factor",
    %w[add nobody viewer] => "is not an email address"
  }.freeze

  def test_what_is_refused_is_said
    REFUSED.each do |words, says|
      assert_includes assert_raises(SteadyMove::Desk::Refused) { people(*words) }.message, says
    end
    refute SteadyMove::PeopleCommands.fits?("add", %w[x])
    refute SteadyMove::PeopleCommands.fits?("list all", [])
  end
end
