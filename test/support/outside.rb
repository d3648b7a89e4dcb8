# frozen_string_literal: true

require_relative "by_hand"

# For tests of moves to registrars that offer no connection: a person at their pages, with what the
# desk hands out.
module Outside
  include ByHand

  NAME = "slipway.example"

  def order_desk = SteadyMove::Desk::Moves::ManualOrders.new(world.app)
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
      told(id, step)&.hand&.typed.to_a.any? { |label, _| label.include?("approve") }
    end
    told(id, step).hand.typed.find { |label, _| label.include?("approve") }.last
  end

  # Both halves of the number: one stands on the page of the order, the other came by mail.
  def halves(id)
    name = world.move(id).name
    first = visitor.read(site("hawser"), name)[/first half of the number: <code>(\d+)/, 1]
    told = told(id, "confirm-halves").hand.typed.to_h
    second = told.fetch("Half of the code, from its email")
    visitor.act(site("hawser"), name, "halves", given: "#{first}-#{second}")
  end

  def card(at) = visitor.act(site(at), "all", "card")

  # Everything at the losing side by email: what is due is written for, until a step is reached.
  def by_letters(id, step)
    20.times do
      return if state(id)[step]&.active? || state(id).done?(step)

      letters.draft("cobble", by: ADA) ? write("cobble") : world.driver.move_on
    end
    flunk "#{step} is not reached: #{state(id).active.map { |s| [s.step.id, s.says] }}"
  end

  def ordered_at_hawser(id)
    card("hawser")
    order(id, at: "hawser")
    world.until_true(what: "the mails") do
      world.app.messages.of_move(id).count { |m| m.subject.match?(/confirm/) } == 2
    end
    visitor.approve(link_for(id, "confirm-link"))
    halves(id)
    %w[confirm-link confirm-halves].each { |s| say(id, s) if state(id)[s].active? }
  end

  def closing(id)
    { "lock-back" => "lock-on", "privacy-back" => "privacy-on" }.each do |step, what|
      next unless state(id)[step]

      until_step(id, step)
      do_it(id, step, what) unless state(id).done?(step)
    end
    until_step(id, "settings")
    say(id, "settings")
    until_over(id)
    assert_equal "Settled", state(id).stage
  end

  def start_to(name, to, **more) = world.start(name, to: to, **more).tap { world.runner.pass }

  # Made ready at its losing side's pages, so that it can be ordered.
  def ready(to = "hawser", name: NAME)
    live_with("millrace") unless world
    id = start_to(name, to)
    do_it(id, "unlock", "lock-off")
    until_step(id, "ask-code")
    do_it(id, "ask-code", "code")
    until_step(id, "order")
    id
  end
end
