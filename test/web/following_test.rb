# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# All moves on one axis, approvals in one place, a letter to whom a late one waits for, and a page
# for the site's owner.
class WebFollowingTest < Minitest::Test
  include SignedIn

  NAMES = %w[isles-timetable.example nightboat-saltern.example harbourpass.example].freeze

  def setup
    super
    sign_in
    @ids = NAMES.map { |n| world.start(n, to: "orlop") }
  end

  def to_the_release
    world.until_true(most: 300, what: "the releases") do
      @ids.all? { |id| world.move(id).state.with_trait(:approval).active? }
    end
  end

  def asked(path)
    get path
    assert_equal 200, last_response.status, last_response.body[0, 300]
    answer
  end

  def test_the_axis_has_the_next_deadline_first
    to_the_release
    rows = asked("/api/axis")["rows"]
    ends = rows.map { |r| r["ends"] }
    assert_equal [3, ends.compact.sort], [rows.size, ends.compact]
    assert_equal 3, asked("/api/axis?turn=yours")["rows"].size
    assert_empty asked("/api/axis?turn=theirs")["rows"]
    assert_empty asked("/api/axis?account=withy")["rows"]
    assert_empty asked("/api/axis?late=true")["rows"]
    tracks = asked("/api/tracks?ids=#{@ids.join(",")}")["tracks"]
    assert_equal @ids, tracks.map { |t| t["id"] }.sort
    blocks = tracks.first["blocks"]
    assert(blocks.any? { |b| b["past"] } && blocks.any? { |b| !b["past"] && b["turn"] == "yours" })
  end

  def test_approvals_in_one_place
    world.runner.pass
    coming = asked("/api/approvals")
    assert_equal [[], 3], [coming["places"], coming["coming"].size]
    to_the_release
    due = asked("/api/approvals")["places"]
    assert_equal([["Tarnbeck Names", 3]], due.map { |p| [p["title"], p["items"].size] })
    item = due.first["items"].first
    assert_equal ["approves", true], item.values_at("silence", "able")
    # Silence lasts until the deadline; approving is done a quarter of an hour from now.
    assert_in_delta Time.iso8601(item["ends"]) - world.app.now - 900, item["saves"], 1
    assert_equal 200, send_to("/api/approvals", moves: [*@ids, 99])
    assert_equal([99], answer["problems"].map { |p| p["move_id"] })
    world.until_true(most: 300, what: "the landings") do
      @ids.all? { |id| world.move(id).state.landed? }
    end
  end

  def test_whom_to_ask_where_one_is_late
    world.runner.pass
    waits = @ids.find { |id| world.move(id).state.turn == "theirs" }
    others = @ids - [waits].compact
    world.until_true(most: 100, what: "somebody else's turn") do
      waits ||= @ids.find { |id| world.move(id).state.turn == "theirs" }
    end
    letter = asked("/api/moves/#{waits}/ask")
    assert_match(/#{world.move(waits).name}/, letter["subject"])
    assert_match(/longer than usual/, letter["text"])
    to_the_release
    get "/api/moves/#{others.first || waits}/ask"
    assert_equal 409, last_response.status, "it waits for nobody else"
  end

  def test_a_page_for_the_sites_owner
    text = asked("/api/shown/move/#{@ids.first}")["text"].join(" ")
    assert_match(/moves from Tarnbeck Names to Orlop Domain Desk/, text)
    assert_match(/Site and mail stay up/, text)
    assert_equal 200, send_to("/api/shown/move/#{@ids.first}")
    address = answer["address"]
    path = URI(address).path
    clear_cookies
    get path
    assert_equal 200, last_response.status
    assert_includes last_response.body, NAMES.first
    refute_match(/EUR|@|<script/, last_response.body, "no prices, no people, nothing that runs")
    sign_in
    send_to("/api/shown/move/#{@ids.first}")
    get path
    assert_equal 404, last_response.status, "the one before holds no longer"
    get "/api/shown/batch/7"
    assert_equal 404, last_response.status
  end
end
