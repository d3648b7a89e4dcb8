# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Moves to registrars that offer no connection: ordered on their pages, followed from outside only.
class OutsideTest < Minitest::Test
  include ByHand

  def order_desk = SteadyMove::Desk::OrderDesk.new(world.app)
  def site(account) = world.app.accounts.find(account).habits["site"]

  # A list into the cart and paid, as the desk gives it; then said.
  def order(*ids, at:, promotion: nil, **said)
    text, apart = order_desk.list(at, by: ADA, ids: ids)
    visitor.act(site(at), "all", "add", list: text, promotion: promotion.to_s)
    paid = visitor.act(site(at), "all", "pay")
    order_desk.ordered(ids.map { |id| [id, "order"] }, by: ADA, **said)
    world.runner.pass
    [paid, apart]
  end

  MILLRACE = [%w[privacy-off off], %w[unlock lock-off], %w[ask-code code]].freeze

  def ready_at_millrace(name, to, **more)
    id = world.start(name, to: to, **more).tap { world.runner.pass }
    consent(id)
    pass_check(told(id, "identity").hand.site)
    MILLRACE.each do |step, what|
      until_step(id, step)
      do_it(id, step, what)
    end
    until_step(id, "order")
    id
  end

  def link_for(id, step)
    world.until_true(what: "the mail") do
      told(id, step)&.hand&.typed.to_a.any? do |label, _|
        label.include?("approve")
      end
    end
    told(id, step).hand.typed.find { |label, _| label.include?("approve") }.last
  end

  # Both halves of the number: one stands on the page of the order, the other came by mail.
  def halves(id)
    name = world.move(id).name
    first = visitor.read(site("hawser"), name)[/first half of the number: <code>(\d+)/, 1]
    mail = world.app.messages.all.find { |m| m[:subject].include?("second half") && m[:names].include?(name) }
    visitor.act(site("hawser"), name, "halves", given: "#{first}-#{mail[:text][/second half is: (\d+)/, 1]}")
  end

  # From the list of names to the closing check; both accounts by hand.
  def test_one_name_from_both_pages
    live_with("millrace")
    id = ready_at_millrace("kelp-sound-hire.example", "hawser")
    visitor.act(site("hawser"), "all", "card")
    paid, apart = order(id, at: "hawser", promotion: "SPRING-27", number: "HAW-1")
    assert_match(/is paid: kelp-sound-hire/, paid)
    assert_empty apart
    assert_match(/One more/, visitor.approve(link_for(id, "confirm-link")))
    say(id, "confirm-link")
    assert_match(/goes on/, halves(id))
    world.until_true(what: "pending") { state(id).done?("registry-pending") }
    assert_equal [true, true, true], %w[order confirm-link confirm-halves].map { |s| state(id).done?(s) }
    do_it(id, "release", "release")
    until_step(id, "lock-back")
    do_it(id, "lock-back", "lock-on")
    do_it(id, "privacy-back", "privacy-on")
    say(id, "settings")
    until_over(id)
    assert_equal %w[Settled hawser], [state(id).stage, row("kelp-sound-hire.example")[:sponsor]]
    assert_match(/On the word of ada@/, world.move(id).events.reverse.find { |e| e.step == "settings" && e.done? }.says)
    assert_empty(world.link.log.select { |l| %w[hawser millrace].include?(l["registrar"]) })
  end
end
