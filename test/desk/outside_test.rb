# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/outside"

# Moves to registrars that offer no connection: ordered on their pages, followed from outside only.
class OutsideTest < Minitest::Test
  include Outside

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
    assert_empty(%w[order confirm-link confirm-halves].reject { |s| state(id).done?(s) })
    do_it(id, "release", "release")
    until_step(id, "lock-back")
    do_it(id, "lock-back", "lock-on")
    do_it(id, "privacy-back", "privacy-on")
    say(id, "settings")
    until_over(id)
    assert_equal %w[Settled hawser], [state(id).stage, row("kelp-sound-hire.example")[:sponsor]]
    assert_match(
      /On the word of ada@/,
      world.move(id).events.reverse.find { |e| e.step == "settings" && e.done? }.says
    )
    checks = state(id).told("checks").data["checks"].to_h { |c| c.values_at("what", "found") }
    assert_match(/on the word of ada@/, checks["auto-renew"])
    assert_empty(world.link.log.select { |l| %w[hawser millrace].include?(l["registrar"]) })
  end

  # At once, with a code that lives a month: no lock, no release, no added year; everything at the
  # losing side by letter.
  def test_a_suffix_that_moves_at_once
    live_with("cobble")
    name = "saltern-press.fjd.test"
    id = start_to(name, "hawser")
    before = row(name)[:expires_at]
    assert_equal %w[
                   keep-zone
                   ask-code
                   get-code
                   check-code
                   answers-before
                   order
                   confirm-link
                   confirm-halves
                   landed
                   settings
                   check-landed
                 ],
                 state(id).steps.map { |s| s.step.id } - %w[prove-contact]
    by_letters(id, "order")
    ordered_at_hawser(id)
    until_step(id, "settings")
    closing(id)
    assert_equal ["hawser", before], row(name).values_at(:sponsor, :expires_at)
  end

  # Handed over by the losing side: nothing is ordered.
  def test_a_suffix_that_the_losing_side_hands_over
    live_with("cobble")
    name = "isles-school-trips.brg.test"
    id = start_to(name, "withy")
    by_letters(id, "push")
    assert_equal [["Hand it over to", "Withy Point Domains"]], told(id, "push").hand.typed
    write("cobble")
    until_step(id, "settings")
    closing(id)
    assert_equal "withy", row(name)[:sponsor]
  end

  def test_a_suffix_that_wants_papers
    live_with("cobble")
    name = "saltern-heritage.crn.test"
    id = start_to(name, "hawser")
    visitor.act(site("hawser"), "all", "papers")
    say(id, "papers")
    by_letters(id, "order")
    ordered_at_hawser(id)
    world.until_true(what: "the letter for the release") do
      state(id).deadline && letters.draft("cobble", by: ADA)
    end
    assert_in_delta 5 * 86_400,
                    state(id).deadline - world.app.now,
                    86_400,
                    "the notice's own deadline"
    write("cobble")
    until_step(id, "lock-back")
    closing(id)
  end

  # The registry asks the holder by mail: neither code nor lock.
  def test_a_suffix_that_the_holder_approves_by_mail
    live_with("millrace")
    id = start_to("seal-bay-trips.isl.test", "hawser")
    consent(id, days: 30)
    pass_check(told(id, "identity").hand.site)
    until_step(id, "privacy-off")
    do_it(id, "privacy-off", "off")
    until_step(id, "order")
    ordered_at_hawser(id)
    world.until_true(what: "the registry's mail") { told(id, "release")&.hand&.typed.to_a.any? }
    visitor.approve(told(id, "release").hand.site)
    say(id, "release")
    until_step(id, "settings")
    closing(id)
  end

  # From one account to another of the same registrar: nothing shows outside, so the word is what
  # there is.
  def test_between_two_accounts_of_one_registrar
    live_with("millrace")
    twin =
      world
        .app
        .accounts
        .find("millrace")
        .dup
        .tap do |a|
          a.id = "twin"
          a.title = "Millrace, the other account"
          a.habits = a.habits.merge("login" => "saltern-twin")
        end
    world.app.accounts.put(twin)
    id = start_to("oyster-smack-charter.example", "twin")
    ids = state(id).steps.map { |s| s.step.id }
    assert_equal %w[keep-zone answers-before push landed settings check-landed],
                 ids - %w[prove-contact lock-back]
    assert_equal [["Hand it over to", "saltern-twin"]], told(id, "push").hand.typed
    say(id, "push")
    world.until_true { state(id)["settings"].active? }
    say(id, "lock-back") if state(id)["lock-back"]&.active?
    closing(id)
  end

  # New name servers that come by mail only after sign-up are in the post, matched to the name.
  def test_name_servers_by_mail
    id = ready("withy")
    { "profile" => {}, "top-up" => { sum: 5000 } }.each do |what, given|
      visitor.act(site("withy"), "all", what, **given)
    end
    order(id, at: "withy")
    world.until_true(what: "the welcome") do
      world.app.messages.all.any? { |m| m.subject.start_with?("Welcome") }
    end
    welcome = world.app.messages.all.find { |m| m.subject.start_with?("Welcome") }
    assert_equal [[NAME], true], [welcome.names, welcome.text.include?("ns1.withypoint.example")]
  end
end
