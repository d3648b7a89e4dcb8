# frozen_string_literal: true

require_relative "../test_helper"

# Messages as registrars write them (invented): kind, code, link, deadline, doubts.
class PostTest < Minitest::Test
  SENT = Time.utc(2027, 3, 1, 10)

  def read(subject, text = "", from: "notices@reg.test", held: %w[ferry.example isles.example], domains: ["reg.test"],
    **more)
    Core::Post::Reader.read(from: from, subject: subject, text: text, held: held.map do |n|
      domain(n)
    end, sender_domains: domains, sent: SENT, **more)
  end

  # subject, text => kind, names
  KINDS = [
    ["Please approve the transfer of ferry.example", "", "approval-request", %w[ferry.example]],
    ["Transfer of ferry.example", "The transfer away needs your approval. Click the link below to confirm.",
      "approval-request", %w[ferry.example]],
    ["ferry.example is to leave us", "We received a request to transfer the name to another registrar. If you do " \
                                     "nothing it goes ahead.", "leaving-notice", %w[ferry.example]],
    ["Outbound transfer started", "A transfer away of ISLES.EXAMPLE is pending. To cancel the transfer, sign in.",
      "leaving-notice", %w[isles.example]],
    ["Transfer complete", "The transfer of ferry.example has finished.", "landed", %w[ferry.example]],
    ["ferry.example is now held at us", "", "landed", %w[ferry.example]],
    ["Transfer lock removed", "The transfer lock of ferry.example was removed.", "lock-notice", %w[ferry.example]],
    ["Changes to ferry.example", "It has been unlocked.", "lock-notice", %w[ferry.example]],
    ["Your authorization code", "The authorization code of ferry.example is: aB3x99", "code", %w[ferry.example]],
    ["EPP code", "Auth-Code: zz11yy\nDomain: ferry.example", "code", %w[ferry.example]],
    ["Receipt 4471", "Payment received, total 9.02 EUR for ferry.example", "receipt", %w[ferry.example]], ["Invoice",
      "Amount due: 15.00", "receipt", []],
    ["Please verify your e-mail address", "Reply with the word HARBOUR.", "contact-proof", []],
    ["Proof of identity wanted", "Send us a passport or identity card of the holder.", "identity-check", []],
    ["Sorry to see you go", "Stay with us and save 30 % on ferry.example", "offer", %w[ferry.example]],
    ["Special offer", "Renew now.", "offer", []],
    ["Minutes of Tuesday", "We met at the quay.", "unrelated", []], ["Approve the transfer of myferry.example", "",
      "unrelated", []], ["Approve the transfer of ferry.example.com", "", "unrelated", []],
    ["Authorization code", "The code for someone.test is: abc123", "unrelated", []]
  ].freeze

  def test_kinds
    KINDS.each do |subject, text, kind, names|
      found = read(subject, text)
      assert_equal [kind, names], [found.kind, found.names.map(&:ascii)], "#{subject}: #{found.because}"
    end
  end

  LONG = "#{'k3Y' * 22}+/x".freeze

  # text => code, a part of what is said
  CODES = [
    ["The authorization code is aB3,x\"9!zz", "aB3,x\"9!zz", nil], ["Authorization code: aB3x99.", "aB3x99.", nil],
    ["Auth code:\n\n   aB3x99\n", "aB3x99", nil], ["EPP code = q;w:e9", "q;w:e9", nil],
    ["Your transfer key is “two words”.", "two words", nil], ["Authorization code: " \
                                                              "#{LONG[0, 64]}\n#{LONG[64..]}\n\nGoodbye", LONG,
      "put together"], ["Authorization code: abc123\nNext",
        "abc123",
        nil],
    ["Authorization code: abc123\nThe authorization code is: abc123", "abc123", nil],
    ["Authorization code of a: one111\nAuthorization code of b: two222", nil, "2 different codes"],
    ["Ask for the authorization code in your account.", nil, nil], ["Authorization code:", nil, nil]
  ].freeze

  def test_codes
    CODES.each do |text, code, says|
      found = read("Authorization code of ferry.example", text)
      code.nil? ? assert_nil(found.code, text) : assert_equal(code, found.code, text)
      assert_includes found.because.map { |b| said(b) }.join(" "), says if says
    end
  end

  # text => {name => code} of a list in it
  LISTS = [
    ["ferry.example: aB3x99\nisles.example: zz;11,y", { "ferry.example" => "aB3x99", "isles.example" => "zz;11,y" }],
    ["> ferry.example: aB3x99\n> isles.example, two words",
      { "ferry.example" => "aB3x99", "isles.example" => "two words" }],
    ["FERRY.EXAMPLE = q1w2e3\nisles.example\tt4b5", { "ferry.example" => "q1w2e3", "isles.example" => "t4b5" }],
    ["ferry.example: one111\nferry.example: two222\nisles.example: x99999", { "isles.example" => "x99999" }],
    ["ferry.example: same11\nferry.example: same11\nisles.example: x99999",
      { "ferry.example" => "same11", "isles.example" => "x99999" }],
    ["ferry.example: aB3x99", { "ferry.example" => "aB3x99" }],
    ["stranger.test: aB3x99\nferry.example: bbb222", { "ferry.example" => "bbb222" }],
    ["ferry.example has left us.\nSee https://reg.test/x", {}]
  ].freeze

  def test_lists_of_codes
    LISTS.each do |text, codes|
      found = read("The authorization codes", text)
      assert_equal codes, found.codes.to_h, text
      codes.size == 1 ? assert_equal(codes.values.first, found.code, text) : assert_nil(found.code, text)
      masked = Core::Post::Codes.masked("The authorization codes:\n#{text}")
      codes.each_value { |code| refute_includes masked, code, text }
    end
  end

  # text => is an identity check said to be passed
  PASSED = {
    "Your identity check is passed." => true, "The identity check was successful." => true,
    "Identity check complete" => true,
    "Type this number to show who you are. The identity check is open for one day." => false,
    "We need your passport for the identity check." => false
  }.freeze

  def test_a_check_that_was_passed
    PASSED.each do |text, passed|
      found = read("Your identity check", text)
      assert_equal ["identity-check", passed], [found.kind, found.passed], text
      assert_equal !passed,
        Core::Post::Lexicon.asks?("identity-check", text: text, at: SENT, deadline: nil, doubtful: false, over: false)
    end
    refute Core::Post::Lexicon.asks?("contact-proof", text: "", at: SENT, deadline: nil, doubtful: false, over: false,
      answers: true),
      "it answers a letter of ours"
  end

  # text => deadline (RFC 3339), a part of what is assumed
  DEADLINES = [
    ["by 2027-03-06 10:00:00 UTC", "2027-03-06T10:00:00Z", nil], ["until 2027-03-06T10:00Z", "2027-03-06T10:00:00Z",
      nil], ["before 2027-03-06 10:00 +02:00", "2027-03-06T08:00:00Z", nil],
    ["by Saturday, 6 March 2027, 10:00 UTC", "2027-03-06T10:00:00Z", nil], ["by March 6th, 2027 at 9:30 GMT",
      "2027-03-06T09:30:00Z", nil], ["no later than 6 Mar 2027", "2027-03-06T00:00:00Z", "start is assumed"],
    ["by 2027-03-06 10:00", "2027-03-06T10:00:00Z", "UTC is assumed"], ["within 5 days", "2027-03-06T10:00:00Z",
      "when the message was sent"], ["within the next 48 hours", "2027-03-03T10:00:00Z", "when the message was sent"],
    ["within five calendar days", "2027-03-06T10:00:00Z", nil], ["by 2027-02-30", nil, nil], ["soon", nil, nil],
    ["on 2027-03-06", nil, nil]
  ].freeze

  def test_deadlines
    DEADLINES.each do |text, at, says|
      found = read("Please approve the transfer of ferry.example", "Answer #{text}.")
      assert_equal [at && utc(at)], [found.deadline], text
      assert_includes found.because.map { |b| said(b) }.join(" "), says, text if says
    end
  end

  # what is odd => a part of the doubt, or nil where there is none
  DOUBTS = [
    [{}, nil], [{ from: "notices@mail.reg.test" }, nil], [{ from: "notices@reg.test.evil.test" },
      "reg.test.evil.test is not an address"], [{ from: "notices@xreg.test" }, "is not an address"], [{ from: "" },
        "The sender is not"],
    [{ text: "https://my.reg.test/approve?x=1" }, nil], [{ text: "Approve: https://reg.test.evil.test/approve" },
      "leads elsewhere, to reg.test.evil.test"], [{ text: "https://reg.test@evil.test/approve" }, "to evil.test"],
    [{ text: "by 2027-02-01 10:00 UTC" }, "before the message was sent"], [{ text: "by 2027-09-01 10:00 UTC" },
      "too far ahead"], [{ failed: ["dkim"] }, "not proven (dkim)"], [{ domains: nil, from: "any@any.test" }, nil],
    [{ domains: nil, text: "Approve https://evil.test/x" }, "to evil.test"]
  ].freeze

  def test_doubts
    DOUBTS.each do |odd, says|
      found = read("Please approve the transfer of ferry.example", odd.fetch(:text, ""), **odd.except(:text))
      assert_equal [!says.nil?, "approval-request"], [found.doubtful, found.kind], "#{odd}: #{found.because}"
      assert_includes found.because.map { |b| said(b) }.join(" "), says if says
    end
    refute read("Minutes", "", from: "x@elsewhere.test").doubtful, "what asks for nothing is not doubted"
  end

  # kind, deadline (days from when it was sent), doubtful, over => does it still want an answer two days later?
  ANSWERS = [
    ["approval-request", 5, false, false, true], ["approval-request", 5, false, true, false], ["approval-request", 5,
      true, false, false], ["approval-request", 1, false, false, false], ["approval-request", 2, false, false, false],
    ["identity-check", nil, false, false, true], ["contact-proof", 3, false, false, true], ["landed", nil, false,
      false, false], ["offer", 9, false, false, false], ["code", 5, false, false, false], ["unrelated", nil, false,
        false, false]
  ].freeze

  def test_what_still_wants_an_answer
    ANSWERS.each do |kind, days, doubtful, over, wants|
      deadline = days && (SENT + (days * 86_400))
      assert_equal wants,
        Core::Post::Lexicon.asks?(kind, text: "", at: SENT + (2 * 86_400), deadline: deadline, doubtful: doubtful,
          over: over), [kind, days, doubtful, over].inspect
    end
  end

  def test_links
    assert_equal "https://my.reg.test/approve/7",
      read("Please approve the transfer of ferry.example",
        "See https://reg.test/news. To approve: https://my.reg.test/approve/7. Bye").link
    assert_nil read("Transfer of ferry.example", "https://reg.test/a and https://reg.test/b").link
  end
end
