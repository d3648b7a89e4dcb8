# frozen_string_literal: true

require_relative "browser"

# A desk without any connection in a browser, a person at the registrars' own pages beside it, and a
# count of what they press at the desk.
module WithoutConnections
  include Browser

  NAME = "slipway.example"

  def new_world
    BenchWorld
      .new(names_at: %w[millrace cobble])
      .tap { |w| w.app.accounts.all.select(&:epp?).each { |a| w.app.accounts.remove(a.id) } }
  end

  def visitor = @visitor ||= Practice::DeskSide::Visitor.new(world.world.scenario)
  def site(account) = world.app.accounts.find(account).habits["site"]
  def state = world.move(@id).state
  def clipboard = page.evaluate_async_script("navigator.clipboard.readText().then(arguments[0])")

  # One act at the desk: something that a person presses.
  def act
    @acts = @acts.to_i + 1
    yield
  end

  def until_step(step, id = @id)
    world.until_true(what: step) do
      world.move(id).state[step]&.active? || world.move(id).state.done?(step)
    end
  end

  def allow_clipboard
    page.driver.browser.execute_cdp(
      "Browser.grantPermissions",
      permissions: %w[clipboardReadWrite clipboardSanitizedWrite]
    )
  end

  # What is said to be done at the one place where something is left; what was seen by itself needs
  # no word.
  def say_done(step = nil)
    done = -> { step && state.done?(step) }
    button = -> do
      first("button", text: /\ATick what is done|tasks? (?:is|are) done\z/, minimum: 0, wait: 1)
    end
    20.times { break if done.call || button.call }
    act { ticked(button.call) } unless done.call
  end

  # Every box beside the button is ticked first; nothing comes ticked.
  def ticked(button)
    place = button.find(:xpath, "ancestor::section")
    place.all("ul li input[type=checkbox]", minimum: 1).each(&:check)
    button.click
  end

  # What a person does on the pages of a place, without the desk.
  def at(account, *acts, name: NAME)
    acts.each { |what, fields| visitor.act(site(account), name, what, **(fields || {})) }
  end

  # By the link, and by the number in two halves; the desk sees both by what follows.
  def confirm_at_hawser(name = NAME)
    world.until_true(what: "the mails") { mails(name).size == 2 }
    visitor.approve(mails(name).filter_map(&:link).first)
    first = visitor.read(site("hawser"), name)[/first half of the number: <code>(\d+)/, 1]
    second =
      mails(name).find { |m| m.subject.include?("second half") }.text[/second half is: (\d+)/, 1]
    at("hawser", ["halves", { given: "#{first}-#{second}" }], name: name)
  end

  def mails(name)
    world.app.messages.all.select do |m|
      m.names.include?(name) && m.subject.start_with?("Please confirm")
    end
  end
end
