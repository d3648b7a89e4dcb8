# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# The people behind a name: a word that comes back, bounces or stays away; addresses mended without
# a block where that can be.
class ContactsTest < Minitest::Test
  include ByHand

  Contacts = SteadyMove::Desk::Moves::Contacts

  def judged(name) = SteadyMove::Desk::Portfolio::Judging.new(world.app).one(name, to: "orlop")
  def people = Contacts.new(world.app)
  def box(address) = world.app.letters.mailboxes[address]&.first
  def rules(name) = judged(name).verdict.findings.map(&:rule)

  def look(name)
    SteadyMove::Desk::Portfolio::Observe.new(world.app).name(
      domain(name),
      world.app.accounts.find(world.app.names.find(name)[:account_id])
    )
  end

  # name, registrar => roles with what is missing, and whether it lies on a moving name
  CARDS = {
    "northskerry-freight.example" => [["registrant", [], false], ["admin", [], false]],
    "skerry-sound.example" => [["registrant", %w[voice], true], ["admin", %w[voice], true]],
    "kelpsound.example" => [["registrant", [], true], ["admin", [], false]]
  }.freeze

  def test_what_is_known_of_each_role
    live_with("gannet", "millrace")
    CARDS.each do |name, expected|
      assert_equal expected,
                   people.cards(judged(name)).map { |c| [c.role, c.missing, c.on_name] },
                   name
    end
    assert_operator people.cards(judged("northskerry-freight.example")).first.shared_with, :>, 3
    assert_equal(
      [false, true],
      [judged("kelpsound.example"), judged("northskerry-freight.example")].map do |j|
        people.cards(j).first.whole?
      end
    )
  end

  # address, how long it takes (seconds) => the mailbox's state
  PROOFS = [
    ["names@saltern-office.example", 60, "proven"],
    ["pearl@kelp-office.example", 5460, "proven"],
    ["clerk@kelp-office.example", 86_400, "asked"],
    ["office@kelpsound.example", 120, "bounced"],
    ["nobody@nowhere.example", 120, "bounced"]
  ].freeze

  def test_a_word_comes_back_or_does_not
    live_with("millrace")
    PROOFS.each do |address, after, state|
      world.app.db[:mailboxes].delete
      SteadyMove::Desk::Letters::LetterWriter.new(world.app).prove(
        address,
        names: %w[kelpsound.example],
        steps: [],
        by: ADA
      )
      assert_equal "asked", box(address)
      world.driver.move_on(to: world.app.now + after)
      assert_equal state, box(address), address
    end
    letter = world.app.db[:letters].order(:id).first
    refute_match(/\b[a-z]+-[a-z]+-[a-z]+\b/, letter[:text], "the word stands nowhere in the open")
    assert_equal 3, world.app.letters.word(letter[:id]).split("-").size
  end

  # An answer that no person wrote, or from a stranger without the word, proves nothing.
  def test_what_is_no_proof
    live_with("millrace")
    id, =
      SteadyMove::Desk::Letters::LetterWriter.new(world.app).prove(
        "clerk@kelp-office.example",
        names: %w[kelpsound.example],
        steps: [],
        by: ADA
      )
    ref = world.app.db[:letters].get(:message_id)
    word = world.app.letters.word(id)
    room = SteadyMove::Desk::Mail::PostRoom.new(world.app)
    drop = ->(head, text) do
      room.drop(
        "Authentication-Results: post.saltern-office.example; dkim=pass " \
          "header.d=kelp-office.example\r\n" \
          "From: clerk@kelp-office.example\r\nMessage-ID: <#{rand}@x>\r\nSubject: Re: " \
          "word\r\n#{head}\r\n#{text}\r\n",
        by: "ada"
      )
    end
    drop.call("In-Reply-To: <#{ref}>\r\nAuto-Submitted: auto-replied\r\n", "I am away. > #{word}")
    assert_equal %w[asked sent],
                 [box("clerk@kelp-office.example"), world.app.letters.find(id)[:state]]
    drop.call("In-Reply-To: <#{ref}>\r\n", "Which word?")
    assert_equal "asked", box("clerk@kelp-office.example")
    room.drop(
      "From: clerk@kelp-office.example\r\nMessage-ID: <9@x>\r\nSubject: Re\r\n" \
        "In-Reply-To: <#{ref}>\r\n\r\n#{word}",
      by: "ada"
    )
    assert_equal "asked", box("clerk@kelp-office.example"), "nothing proves the sender"
    drop.call("In-Reply-To: <#{ref}>\r\n", "It is #{word}.")
    assert_equal %w[proven answered],
                 [box("clerk@kelp-office.example"), world.app.letters.find(id)[:state]]
    kept = world.app.messages.all.find { |m| m.text.include?("It is") }
    assert_equal ["contact-proof", false, %w[kelpsound.example]],
                 [kept.kind, kept.doubtful?, kept.names]
  end

  # The verdict follows the mailbox of whoever the code is mailed to.
  def test_the_verdict_follows_the_mailbox
    live_with("millrace", "gannet")
    assert_includes rules("kelpsound.example"), "contact-unreachable"
    refute_includes rules("kelpsound.example"),
                    "contact-trap",
                    "the administrative contact may be changed freely"
    assert_includes rules("skerry-sound.example"), "contact-trap"
    world.app.letters.mailbox("clerk@kelp-office.example", "proven", at: world.app.now)
    refute_includes rules("kelpsound.example"), "contact-unreachable"
    world.app.letters.mailbox("names@saltern-office.example", "bounced", at: world.app.now)
    assert_includes rules("northskerry-freight.example"), "contact-unreachable"
  end

  # A move that waits for the word: bounced, mended by hand without a block, proven, and on it goes.
  def test_a_contact_mended_under_way
    live_with("millrace")
    name = "kelpsound.example"
    world.app.db[:mailboxes].delete
    id = start(name)
    assert_equal ["theirs", 1],
                 [
                   state(id)["prove-contact"].turn,
                   world.app.db[:letters].where(recipient: "clerk@kelp-office.example").count
                 ]
    world.driver.move_on(to: world.app.now + (2 * 86_400) + 3600)
    assert_match(/has not come back. It is late/, state(id)["prove-contact"].says)
    assert_equal "yours", state(id)["prove-contact"].turn
    choice = people.choices(judged(name)).find { |c| c.id == "admin" }
    assert_equal [true, nil, true],
                 [
                   choice.possible,
                   choice.blocks,
                   choice.says.map do |c| said(c) end.join.include?("6 hours later")
                 ]
    done = people.repair(judged(name), "admin", "pearl@kelp-office.example", by: ADA)
    assert_equal [false, [["Email of the administrative contact", "pearl@kelp-office.example"]]],
                 [done.done, done.hand.typed]
    assert_match(
      /will be pearl/,
      visitor.act(done.hand.site, name, "admin", email: done.hand.typed.first.last)
    )
    look(name)
    assert_equal "clerk@kelp-office.example",
                 judged(name).facts[:admin_email],
                 "it counts six hours later"
    world.driver.move_on(to: world.app.now + 21_700)
    look(name)
    assert_equal "pearl@kelp-office.example", judged(name).facts[:admin_email]
    refute_includes rules(name), "registrant-change"
    world.until_true { state(id).done?("prove-contact") }
    assert_match(/pearl@kelp-office.example is read/, state(id)["prove-contact"].says)
  end

  def test_over_the_connection_the_registrants_change_starts_its_block
    live_with("gannet")
    name = "skerry-sound.example"
    refused = {
      "admin" => /own entry/,
      "opt-out" => /not known to offer/,
      "read" => /changes no address/,
      "burn" => /not one of/
    }
    refused.each do |choice, says|
      assert_match(
        says,
        assert_raises(SteadyMove::Desk::Refused) do
          people.repair(judged(name), choice, "a@b.example", by: ADA)
        end.message,
        choice
      )
    end
    assert_match(
      /not an email/,
      assert_raises(SteadyMove::Desk::Refused) do
        people.repair(judged(name), "registrant", "a at b", by: ADA)
      end.message
    )
    refute_includes rules(name), "registrant-change"
    assert people.repair(judged(name), "registrant", "names@saltern-office.example", by: ADA).done
    assert_includes rules(name), "registrant-change"
    assert_equal "names@saltern-office.example", judged(name).facts[:registrant_email]
    assert_equal(
      %w[registrant-change],
      judged(name).verdict.findings.select { |f| f.effect == "wait" }.map(&:rule)
    )
    assert_match(
      /changed the registrant's address/,
      world.app.journal.page(name: name).reverse.map(&:says).join
    )
  end

  def test_without_a_mail_server_the_word_is_told_to_be_sent_by_hand
    live_with("gannet")
    world.app.instance_variable_set(:@sender, nil)
    id, word = people.prove(judged("northskerry-freight.example"), "registrant", by: ADA)
    assert_equal [world.app.letters.word(id), "hand"], [word, world.app.letters.find(id)[:how]]
    assert_match(
      /No address of the administrative contact/,
      assert_raises(SteadyMove::Desk::Refused) do
        people.prove(judged("northskerry-season-2026.example"), "admin", by: ADA)
      end.message
    )
  end
end
