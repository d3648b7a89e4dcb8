# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"
require "mail"

# Mails to the person whose turn it is.
class WebNoticesTest < Minitest::Test
  include SignedIn

  ME = Practice::DeskSide::Desk::EMAIL
  NAME = "isles-timetable.example"

  def setup
    super
    sign_in
  end

  # Whoever looks after a move now is told of it, not whoever started it.
  def test_who_is_told_once_a_move_was_handed_on
    sent = listen
    people = world.desk.instance_variable_get(:@people)
    bo = "bo@saltern-office.example"
    people.put(bo, "a long enough sentence", role: "approver")
    notices = SteadyMove::Desk::Automation::Notices.new(world.app)
    [ME, bo].each do |who|
      notices.choose(people.by_email(who)[:id], choice: "at-once", hour: 7, by: who)
    end
    id = world.start(NAME, to: "orlop")
    SteadyMove::Desk::Moves::Assignment.new(world.app).to(
      id,
      bo,
      role: "approver",
      note: "",
      by: ME
    )
    world.until_true(most: 200, what: "the release") do
      world.move(id).state.with_trait(:approval).active?
    end
    world.driver.move_on(to: world.app.now + 120)
    assert_equal [[bo]], sent.map(&:first).uniq
  end

  def listen
    sent = []
    sender = Struct.new(:from).new("desk@saltern-office.example")
    sender.define_singleton_method(:deliver) { |raw, to:| sent << [to, Mail.new(raw)] }
    world.app.instance_variable_set(:@sender, sender)
    sent
  end

  def test_who_is_told_by_mail
    sent = listen
    assert_equal 422, send_to("/api/me/notices", choice: "hourly")
    assert_equal 200, send_to("/api/me/notices", choice: "at-once")
    id = world.start(NAME, to: "orlop")
    world.until_true(most: 200, what: "the release") do
      world.move(id).state.with_trait(:approval).active?
    end
    world.driver.move_on(to: world.app.now + 120)
    to, mail = sent.last
    assert_equal [[ME], 1], [to, sent.size]
    assert_match(/#{NAME}/, mail.subject)
    text = mail.body.decoded.force_encoding("UTF-8")
    assert_match(/approved automatically/, text)
    codes = world.world.registry.domains.select_map(:auth_info)
    assert_empty(codes.select { |c| text.include?(c) })
    world.driver.move_on(to: world.app.now + 600)
    assert_equal 1, sent.size, "each thing once"
    send_to("/api/me/notices", choice: "daily", hour: 6)
    world.driver.move_on(to: world.app.now + 86_400)
    assert_equal 2, sent.size, "once a day while it waits"
  end
end
