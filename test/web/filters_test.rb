# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Filters of the list of names, kept by name: one's own are nobody else's, the team's are
# everybody's, and only whoever moves names changes these.
class WebFiltersTest < Minitest::Test
  include SignedIn

  LATE = "gate=needs&sort=expiry"

  def setup
    super
    sign_in
  end

  def keep(title, filters, team: false)
    send_to("/api/filters#{"/team" if team}", title: title, filters: filters)
  end

  def titles
    get "/api/filters"
    answer.transform_values { |list| list.map { |f| f["title"] } }
  end

  # what is kept => what comes of it
  REFUSED = {
    ["  ", LATE] => [422, /no name/],
    ["all", " "] => [422, /Nothing is filtered/],
    ["unknown", nil] => [404, /no kept filter called “unknown”/],
    ["x" * 61, LATE] => [422, /60/]
  }.freeze

  def test_kept_by_name_for_oneself_and_for_the_team
    assert_equal 200, keep("late", "gate=wait")
    assert_equal 200, keep(" late ", LATE), "in the place of the one that is called so"
    assert_equal 200, keep("ferries", "client=Lanternroom", team: true)
    assert_equal({ "own" => %w[late], "team" => %w[ferries] }, titles)
    assert_equal LATE, answer["own"].first["filters"]
    REFUSED.each do |given, (status, says)|
      assert_equal status, keep(*given), given.inspect
      assert_match says, answer["detail"]
    end
    most = SteadyMove::Desk::People::Filters::MOST
    (most - 1).times { |i| keep("f#{i}", LATE) }
    assert_equal [422, 200], [keep("one more", LATE), keep("late", "gate=ready")]
    house.people.put("vi@saltern-office.example", "quiet-harbour-31", role: "viewer")
    sign_in("vi@saltern-office.example", "quiet-harbour-31")
    assert_equal({ "own" => [], "team" => %w[ferries] }, titles)
    assert_equal [200, 403], [keep("mine", LATE), keep("mine", LATE, team: true)]
    assert_equal 403, keep("ferries", nil, team: true)
    sign_in
    assert_equal 200, keep("ferries", nil, team: true)
    assert_equal most, titles["own"].size
  end
end
