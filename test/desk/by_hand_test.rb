# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Whole moves away from registrars of every habit: what the desk cannot do it says, and it believes
# only what it sees from outside.
class ByHandTest < Minitest::Test
  include ByHand

  # 1: the code on screen, the lock late in the public record, the release by the link in its email.
  def test_the_link_in_the_mail_is_known_and_may_be_used
    live_with("tarnbeck")
    id = start("isles-timetable.example")
    until_step(id, "release")
    world.until_true { world.app.messages.of_move(id).any? { |m| m.kind == "approval-request" } }
    mail = world.app.messages.of_move(id).find { |m| m.kind == "approval-request" }
    assert_equal [false, true],
                 [
                   mail.doubtful?,
                   mail.link.include?("/counter/tarnbeck/release/isles-timetable.example")
                 ]
    assert_match(/approved/, visitor.approve(mail.link))
    until_over(id)
    assert_equal "Settled", state(id).stage
  end

  # A lock of four statuses, taken off and put on at once; two approval emails, a second factor, and
  # the code typed again at the release.
  def test_what_a_registrar_asks_for_besides
    live_with("tarnbeck")
    name = "isles-timetable.example"
    four = Core::Names::Statuses::FOUR_LOCKS
    none = { statuses: [], name_servers: [] }
    world.world.registry.update(
      "tarnbeck",
      name,
      add: {
        **none,
        statuses: four
      },
      rem: none,
      at: world.app.now
    )
    world.app.accounts.keep_habits(
      world.app.accounts.find("tarnbeck"),
      "sign_in" => "factor",
      "code_at_release" => true,
      "approval_mails" => "2",
      "lock_is_four" => true,
      "ways" => {
        "release" => "link"
      }
    )
    world.app.accounts.keep_habits(world.app.accounts.find("orlop"), "lock_is_four" => true)
    id = start(name)
    until_step(id, "release")
    assert_empty row(name)[:statuses] & four
    world.until_true { told(id, "release").hand.typed.size > 1 }
    hand = told(id, "release").hand
    assert_equal ["Approval emails so far", "1 of 2; each of them has to be answered"],
                 hand.typed.first
    assert hand.types_code
    visitor.approve(hand.typed[1].last)
    until_over(id)
    assert_equal four, row(name)[:statuses] & four
    refute told(id, "release")
  end

  # The page of an act says how one signs in there, and nothing of a letter does.
  def test_the_second_step_of_a_sign_in
    live_with("millrace")
    habits = { "sign_in" => "mail" }
    world.app.accounts.keep_habits(world.app.accounts.find("millrace"), habits)
    id = start("kelp-sound-hire.example")
    assert_equal ["At the sign-in", "it sends a confirmation code by email, which is typed there"],
                 told(id, "unlock").hand.typed.first
  end

  # 2: the code by mail to the registrant after a reason, and not while its own privacy service is
  # on.
  def test_a_code_that_is_mailed_after_a_reason_is_given
    live_with("gannet")
    id = start("northskerry-crew.example")
    refute told(id, "ask-code"), "the code is asked for after the contacts are shown"
    consent(id)
    assert_match(/off for northskerry-crew/, do_it(id, "privacy-off", "privacy-off"))
    until_step(id, "ask-code")
    asked = told(id, "ask-code").hand
    assert_equal [["A reason, which is asked for", "We gather all our names in one account."]],
                 asked.typed
    assert_includes asked.does, "names@saltern-office.example"
    assert_match(/why you want/, visitor.act(asked.site, "northskerry-crew.example", "code"))
    do_it(id, "ask-code", "code", reason: asked.typed.first.last)
    world.until_true { state(id).done?("check-code") }
    assert_equal "checked", world.app.codes.state_of(id)
    until_step(id, "release")
    world.orders.approve(id, by: ADA)
    until_step(id, "privacy-back")
    do_it(id, "privacy-back", "privacy-on")
    until_over(id)
    assert_equal %w[Settled shade.orlop.example],
                 [state(id).stage, row("northskerry-crew.example")[:veil].partition("@").last]
    checked = state(id).told("checks").data["checks"].find { |c| c["what"] == "privacy service" }
    assert_equal ["on", "on", true], checked.values_at("wanted", "found", "ok")
  end

  # 3: privacy at a separate service with an identity check; the code to the administrative contact;
  # nothing by connection.
  def test_a_separate_privacy_service_and_its_identity_check
    live_with("millrace")
    id = start("kelp-sound-hire.example")
    assert_equal(%w[consent unlock], state(id).active.map { |s| s.step.id })
    consent(id)
    check = told(id, "identity").hand
    assert_equal ["Curlew Screen", "kelpsound"], [check.title, check.login]
    refute_equal check.site, told(id, "unlock").hand.site
    say(id, "identity")
    refute state(id).done?("identity"), "the word alone proves nothing"
    assert_match(/identity check first/, visitor.act(check.site, "kelp-sound-hire.example", "off"))
    assert_match(/is passed/, pass_check(check.site))
    until_step(id, "privacy-off")
    assert_includes world.move(id).events.find { |e| e.step == "identity" && e.done? }.says,
                    "Curlew Screen wrote"
    do_it(id, "privacy-off", "off")
    do_it(id, "unlock", "lock-off")
    do_it(id, "ask-code", "code")
    until_step(id, "release")
    do_it(id, "release", "release")
    until_step(id, "privacy-back")
    do_it(id, "privacy-back", "privacy-on")
    until_over(id)
    assert_equal "Settled", state(id).stage
    from, to = state(id).exposed.first
    assert_operator to - from, :>, 0
    assert_empty(
      world.link.log.select { |l| l["registrar"] == "millrace" },
      "the desk has no connection there"
    )
  end

  # 4: no self-service: one letter for all, the code days later.
  def test_everything_by_letter
    live_with("cobble")
    ids = %w[saltern-harbour.example isles-weather.example].map { |n| start(n) }
    before = letters.draft("cobble", by: ADA).draft
    assert_equal [%w[unlock code], 2, "help@cobblekeel.example"],
                 [before.kinds, before.names.size, before.to]
    letter = write("cobble")
    assert_nil letters.draft("cobble", by: ADA), "nothing waits any more"
    assert_equal(%w[theirs theirs], ids.map { |id| state(id).turn })
    asked = world.app.now
    ids.each { |id| until_step(id, "release") }
    assert_operator world.app.now - asked, :>, 2 * 86_400
    assert_equal "answered", world.app.letters.find(letter)[:state]
    reply = world.app.messages.all.find { |m| m.letter_id == letter }
    assert_equal ["code", 2, false], [reply.kind, reply.names.size, reply.doubtful?]
    ids.each { |id| refute_includes reply.text, row(world.move(id).name)[:auth_info] }
    write("cobble")
    ids.each { |id| until_over(id) }
    assert_equal(%w[Settled Settled], ids.map { |id| state(id).stage })
  end

  # 5: codes that hold commas, quotes and blanks, and that can be set anew.
  def test_a_code_that_the_destination_can_not_take_is_set_anew
    live_with("fairlead")
    odd = start("skerry-lighthouse-walks.example")
    assert_equal(%w[stuck yours], state(odd)["check-code"].then { |s| [s.phase, s.turn] })
    assert_match(/character that Orlop Domain Desk can't take/, state(odd)["check-code"].says)
    assert_empty(world.link.log.select { |l| l["command"] == "transfer request" })
    hands.new_code(odd, by: ADA)
    world.runner.pass
    assert_equal row("skerry-lighthouse-walks.example")[:auth_info], world.app.codes.of_move(odd)
    assert_match(/\A[a-zA-Z2-9]{22}\z/, world.app.codes.of_move(odd))
    until_step(odd, "release")
    assert_raises(SteadyMove::Desk::Refused) { hands.new_code(odd, by: ADA) }
  end

  # 6: a registry that knows neither code nor lock and asks the holder by mail; whoever doesn't
  # answer keeps the name.
  def test_a_registry_that_asks_the_holder_by_mail
    live_with("millrace")
    name = "seal-bay-trips.isl.test"
    id = start(name)
    assert_equal(
      %w[
        keep-zone
        consent
        identity
        privacy-off
        contacts-shown
        prove-contact
        answers-before
        order
        registry-pending
        release
        landed
        privacy-back
        check-landed
      ],
      state(id).steps.map { |s| s.step.id }
    )
    consent(id)
    site = told(id, "identity").hand.site
    pass_check(site)
    until_step(id, "privacy-off")
    do_it(id, "privacy-off", "off")
    until_step(id, "release")
    world.until_true { told(id, "release").hand.site }
    assert_equal(["The registry", "link"], told(id, "release").hand.then { |h| [h.title, h.way] })
    assert_match(/lapses on <2027-03-1\d/, state(id)["release"].says)
    assert_raises(SteadyMove::Desk::Refused) { world.orders.approve(id, by: ADA) }
    visitor.approve(told(id, "release").hand.site)
    say(id, "release")
    until_step(id, "privacy-back")
    assert_equal "orlop", row(name)[:sponsor]
    do_it(id, "privacy-back", "privacy-on")
    until_over(id)
    assert_equal "Settled", state(id).stage
  end

  def test_silence_lets_such_a_transfer_lapse_and_all_is_closed_again
    live_with("millrace")
    id = start("seal-bay-trips.isl.test")
    consent(id, days: 30)
    site = told(id, "identity").hand.site
    pass_check(site)
    until_step(id, "privacy-off")
    do_it(id, "privacy-off", "off")
    until_step(id, "release")
    world.driver.move_on(to: world.app.now + (11 * 86_400))
    assert_equal ["Refused", %w[make-safe privacy-again]],
                 [
                   state(id).stage,
                   (state(id).steps.map { |s| s.step.id } & %w[make-safe privacy-again])
                 ]
    do_it(id, "privacy-again", "on")
    until_over(id)
    assert_equal "millrace", row("seal-bay-trips.isl.test")[:sponsor]
    refute_nil state(id).exposed.last.last
  end

  # A step that somebody did without being asked is seen all the same; calling off asks for what was
  # opened.
  def test_what_was_done_unasked_is_seen
    live_with("millrace")
    id = start("slipway.example")
    visitor.act(told(id, "unlock").hand.site, "slipway.example", "lock-off")
    world.until_true { state(id).done?("lock-gone") }
    assert_empty(world.move(id).events.select { |e| e.type == "said" })
    world.orders.call_off(id, by: ADA)
    world.runner.pass
    do_it(id, "make-safe", "lock-on")
    until_over(id)
    assert_includes row("slipway.example")[:statuses], "clientTransferProhibited"
  end

  # Records carried away from a registrar without a connection: the name servers are set by hand,
  # and the values are named.
  def test_name_servers_set_by_hand
    live_with("millrace")
    id = start("slipway.example", host: "lanternroom")
    until_step(id, "switch-ns")
    hand = told(id, "switch-ns").hand
    assert_equal [
                   ["Name server 1", "ns1.lanternroom.example"],
                   ["Name server 2", "ns2.lanternroom.example"]
                 ],
                 hand.typed
    do_it(id, "switch-ns", "name-servers", servers: hand.typed.map(&:last).join(" "))
    until_step(id, "ns-settled")
    assert_equal %w[ns1.lanternroom.example ns2.lanternroom.example],
                 row("slipway.example")[:name_servers].sort
  end

  # A registrar more is a file.
  def test_one_more_registrar_is_a_file
    folder = Dir.mktmpdir
    FileUtils.cp(Dir[File.join(SteadyMove::ROOT, "practice/scenario/registrars/*.yml")], folder)
    File.write(
      File.join(folder, "windlass.yml"),
      File.read(File.join(folder, "tarnbeck.yml")).gsub("Tarnbeck Names", "Windlass Names")
    )
    scenario = Practice::Scenario.demo(registrars: folder)
    assert_equal Practice::Scenario.demo.registrars.size + 1, scenario.registrars.size
    assert_equal "Windlass Names",
                 Practice::World.new(Dir.mktmpdir, scenario, rate: 0).registrar_title("windlass")
  end
end
