# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Several people at one move: who looks at it, who has it in hand, and handing it over.
class CompanyTest < Minitest::Test
  include SignedIn

  # Whoever does not say so again is gone; nobody is told of themselves.
  def test_who_is_here
    at = 0
    presence = SteadyMove::Web::Presence.new(monotonic: -> { at })
    assert_empty presence.here(7, "ada")
    assert_equal [%w[ada], [], %w[tam]],
                 [presence.here(7, "tam"), presence.here(8, "ada"), presence.here(7, "ada")]
    at = 61
    assert_empty presence.here(7, "ada")
  end

  # to, note => [status, a part of what is said]
  WRONG = [
    ["nobody@saltern-office.example", 422, "There is nobody with the email"],
    ["viewer@saltern-office.example", 422, "needs at least the role of a mover"]
  ].freeze

  def test_a_move_is_handed_over_with_a_note
    sign_in
    %w[viewer mover].each { |role| person(role) }
    id = world.start("isles-timetable.example", to: "orlop")
    get "/api/moves/#{id}/here"
    assert_equal ["ada@saltern-office.example", true],
                 [answer["keeper"], answer["people"].include?("mover@saltern-office.example")]
    WRONG.each do |to, status, says|
      assert_equal [status, true], [hand(id, to), answer["detail"].include?(says)], to
    end
    assert_equal 200, hand(id, "Mover@saltern-office.example", "back on Monday")
    assert_equal "mover@saltern-office.example", answer["keeper"]
    assert_includes world.move(id).events.last.says, "“back on Monday”"
    get "/api/desk"
    assert_equal(
      ["mover@saltern-office.example"],
      answer["lanes"].values.flatten.map { |c| c["keeper"] }
    )
  end

  SAYS = "They answer on Mondays only."

  # A comment stands in the name's journal and in its open move's; nothing else follows from it, and
  # it is no part of a move that is over.
  def test_what_people_tell_each_other_of_a_name
    sign_in
    name = "isles-timetable.example"
    id = world.start(name, to: "orlop")
    before = world.move(id).state
    assert_equal 200, send_to("/api/names/#{name}/comment", text: " #{SAYS} ")
    line = world.move(id).events.last
    assert_equal ["comment", "ada@saltern-office.example: “#{SAYS}”"], [line.type, line.says]
    assert_equal [before.current.step.id, before.turn],
                 [world.move(id).state.current.step.id, world.move(id).state.turn]
    get "/api/names/#{name}"
    assert_includes answer["history"].map { |e| e["says"] }, line.says
    world.orders.call_off(id, by: "ada@saltern-office.example")
    world.until_true(most: 200, what: "the end") { !world.move(id).open }
    over = world.move(id).events.last.seq
    assert_equal 200, send_to("/api/names/#{name}/comment", text: "It went wrong.")
    assert_equal over, world.move(id).events.last.seq
    [["", 422], ["  ", 422], ["x" * 1001, 422]].each do |text, status|
      assert_equal status, send_to("/api/names/#{name}/comment", text: text)
    end
    assert_equal 404, send_to("/api/names/nobody.example/comment", text: SAYS)
  end

  private

  def person(role)
    house.people.put("#{role}@saltern-office.example", "marsh gate at nine #{role}", role: role)
  end
  def hand(id, to, note = "") = send_to("/api/moves/#{id}/hand-on", to: to, note: note)
end
