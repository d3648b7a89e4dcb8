# frozen_string_literal: true

require_relative "../test_helper"

# Letters: what they ask for, for which names, and never a secret; links that open them in a mail
# program.
class LettersTest < Minitest::Test
  Writer = SteadyMove::Desk::Letters::Correspondence
  Draft = Core::Letters::Draft

  def write(*parts, login: "office", **more)
    Writer.write(
      SteadyMove::Desk::Letters::Addressee.new(
        to: "help@reg.test",
        title: "Reg",
        login: login,
        **more
      ),
      writer: "ada@office.test",
      reference: "SM-0007-abcd",
      parts: parts
    )
  end

  # By what they know us, what the account always wants said, and who signs.
  def test_what_an_account_wants_in_its_letters
    told = write(["unlock", %w[a.test], []], customer: "K-4711", words: "We are its new keeper.")
    assert_includes told.text, "account “office” with you. Our customer number is K-4711."
    assert_includes told.text, "We are its new keeper.\n\nPlease keep our reference"
    signed = write(["unlock", %w[a.test], []], signed: "Pearl Strand, Saltern Office")
    assert signed.text.end_with?("\n\nPearl Strand, Saltern Office\nada@office.test\n")
    account =
      Core::Accounts::Account.new(
        title: "Reg",
        habits: {
          "support" => "help@reg.test",
          "customer" => "K-4711",
          "letter_signed" => "Pearl"
        }
      )
    assert_equal ["help@reg.test", "Reg", nil, "K-4711", nil, "Pearl"],
                 SteadyMove::Desk::Letters::Addressee.of(account).to_a
  end

  # kind, details => a part of the letter, a part of its subject, do the five days hold
  ASKS = [
    ["unlock", [], "Please take the transfer lock off:", "Unlock ferry.example", true],
    ["lock", [], "Please put the transfer lock on again:", "Lock ferry.example again", false],
    [
      "code",
      [],
      "Please send the authorization code",
      "Send the authorization code of ferry.example",
      true
    ],
    [
      "new-code",
      [],
      "a new authorization code",
      "Set and send a new authorization code for ferry.example",
      true
    ],
    [
      "privacy-off",
      [],
      "Please turn the privacy service off",
      "Turn the privacy service off for ferry.example",
      false
    ],
    [
      "privacy-on",
      [],
      "Please turn the privacy service on again",
      "Turn the privacy service on again for ferry.example",
      false
    ],
    [
      "name-servers",
      %w[ns1.new.test ns2.new.test],
      "(ns1.new.test; ns2.new.test):",
      "Set other name servers for ferry.example",
      false
    ],
    [
      "old-name-servers",
      %w[ns1.old.test ns2.old.test],
      "the former name servers (ns1.old.test; ns2.old.test):",
      "Set the former name servers of ferry.example again",
      false
    ],
    [
      "ds",
      [],
      "Please remove all DS records (DNSSEC)",
      "Remove the DS records of ferry.example",
      false
    ],
    [
      "new-ds",
      ["2371 13 2 1F98"],
      "at the registry (2371 13 2 1F98):",
      "Add new DS records for ferry.example",
      false
    ],
    [
      "old-ds",
      ["2371 13 2 1F98"],
      "at the registry again (2371 13 2 1F98):",
      "Add the former DS records of ferry.example again",
      false
    ],
    ["renew", [], "Please renew for one year, before it expires:", "Renew ferry.example", false],
    [
      "push",
      ["Tide Names"],
      "Please hand over to the registrar (Tide Names):",
      "Hand ferry.example over to another registrar",
      false
    ],
    ["release", [], "Please release:", "Release the transfer of ferry.example", false],
    [
      "contact",
      ["the email of the registrant shall be q@x.test"],
      "(the email of the registrant shall be q@x.test):",
      "Correct a contact of ferry.example",
      false
    ]
  ].freeze

  def test_each_thing_that_is_asked_for
    ASKS.each do |kind, details, part, subject, five_days|
      draft = write([kind, %w[ferry.example], details])
      assert_includes draft.text, part, kind
      assert_equal "#{subject} [SM-0007-abcd]", draft.subject
      assert_equal five_days, draft.text.include?("five calendar days"), kind
      assert_equal [[kind], %w[ferry.example]], [draft.kinds, draft.names]
    end
    assert_equal Writer::KINDS.sort, ASKS.map(&:first).sort, "every kind has a row"
  end

  def test_one_letter_for_several_things_and_names
    draft = write(["unlock", %w[a.example b.example], []], ["code", %w[b.example c.example], []])
    assert_equal %w[a.example b.example c.example], draft.names
    assert_includes draft.subject, "Unlock 3 names and send their codes"
    paragraphs = draft.text.split("\n\n")
    assert_equal %w[a.example b.example],
                 paragraphs.find { |p| p.include?("lock off") }.lines.drop(1).map(&:strip)
    assert_equal %w[b.example c.example],
                 paragraphs
                   .find { |p| p.include?("send the authorization code") }
                   .lines
                   .drop(1)
                   .map(&:strip)
    assert_includes draft.text, "in our account “office”"
    refute_includes write(["unlock", %w[a.example], []], login: nil).text, "“"
  end

  def test_a_reminder_names_the_day_and_what_was_asked
    draft =
      Writer.remind(
        SteadyMove::Desk::Letters::Addressee.new(to: "help@reg.test", title: "Reg"),
        writer: "ada",
        reference: "SM-0007-abcd",
        sent: Time.utc(2027, 3, 1, 8),
        subject: "Reminder: Unlock x",
        parts: [["unlock", %w[a.example], []]]
      )
    assert_equal "Reminder: Unlock x", draft.subject, "not twice"
    [
      "01 March 2027",
      "take the transfer lock off",
      "a.example",
      "five calendar days",
      "SM-0007-abcd"
    ].each { |part| assert_includes draft.text, part }
  end

  def test_a_word_that_has_to_come_back
    draft =
      Writer.proof(
        to: "q@x.test",
        word: "amber-olive-tulip",
        writer: "ada",
        reference: "SM-0001-abcd",
        names: %w[a.example b.example]
      )
    ["amber-olive-tulip", "a.example and 1 more", "Please answer"].each do |part|
      assert_includes draft.text, part
    end
    refute_includes draft.subject, "amber"
    assert_operator Core::Letters::Words::ALL.uniq.size, :>=, 80
    assert(Core::Letters::Words::ALL.all? { |w| w.match?(/\A[a-z]{5,8}\z/) })
  end

  # What a mail program reads from the link is the letter; the parts of RFC 6068 §2 and §5: “?”,
  # “&”, “=”, “%” and blanks are encoded, lines end in CRLF.
  def test_mailto_links_hold_the_whole_letter
    draft =
      Draft.new(
        to: "help+desk@reg.test",
        subject: "Names & codes? 100 % = sure",
        text: "Line one\nZoë’s line\n",
        kinds: [],
        names: [],
        reference: "r"
      )
    address, query = draft.mailto.delete_prefix("mailto:").split("?", 2)
    fields =
      query
        .split("&")
        .to_h do |pair|
          pair.split("=", 2).map { |part| URI.decode_www_form_component(part.gsub("+", "%2B")) }
        end
    assert_equal "help+desk@reg.test", URI.decode_www_form_component(address.gsub("+", "%2B"))
    assert_equal({ "subject" => draft.subject, "body" => "Line one\r\nZoë’s line\r\n" }, fields)
    refute_match(/[^A-Za-z0-9\-._~%@:?&=]/, draft.mailto)
  end
end
