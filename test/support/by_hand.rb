# frozen_string_literal: true

require_relative "bench_world"

# For tests of what people do: a practice world, a person at its counters, and the desk's word on
# what is left to do.
module ByHand
  ADA = "ada@saltern-office.example"

  attr_reader :world

  def teardown = world&.close

  def live_with(*registrars) = @world = BenchWorld.new(names_at: registrars)
  def visitor = @visitor ||= Practice::DeskSide::Visitor.new(world.world.scenario)
  def hands = SteadyMove::Desk::Moves::ManualSteps.new(world.app)
  def letters = SteadyMove::Desk::Letters::LetterWriter.new(world.app)
  def start(name, **more) = world.start(name, to: "orlop", **more).tap { world.runner.pass }
  def state(id) = world.move(id).state
  def row(name) = world.world.registry.find(name)

  # What a person is told for one step, or nil where nobody has to do it now.
  def told(id, step) = hands.places.flat_map(&:items).find { |i| i.move_id == id && i.step == step }

  # Does an act at the place that the desk names, and says so.
  def do_it(id, step, what, **fields)
    hand = told(id, step).hand
    said = visitor.act(hand.site, world.move(id).name, what, **fields)
    say(id, step)
    said
  end

  def say(id, step)
    hands.said([[id, step]], by: ADA)
    world.runner.pass
  end

  def consent(*ids, days: 9, given_by: "Pearl Strand, by telephone")
    hands.consent(ids, given_by: given_by, ends: world.app.now + (days * 86_400), by: ADA)
    world.runner.pass
  end

  # One letter to an account, by SMTP.
  def write(account, how: "smtp")
    ready = letters.draft(account, by: ADA)
    letters.send(ready, account_id: account, by: ADA, how: how).tap { world.runner.pass }
  end

  def until_step(id, step, most: 60)
    world.until_true(most: most, what: step) { state(id)[step]&.active? || state(id).done?(step) }
  end

  def until_over(id) = world.until_true(what: "the end") { !world.move(id).open }

  # Passes the identity check of the privacy service at a site: the number comes by mail.
  def pass_check(site)
    visitor.act(site, "all", "ask")
    world.until_true(what: "the number") do
      world.app.messages.all.any? { |m| m.subject.include?("number") }
    end
    visitor.act(
      site,
      "all",
      "check",
      number: world.app.messages.all.find { |m| m.subject.include?("number") }.text[/\d{6}/]
    )
  end
end
