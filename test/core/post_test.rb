# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_reading"

# Messages as registrars write them (invented): kinds, names, what still wants an answer.
class PostTest < Minitest::Test
  include PostReading

  # subject, text => kind, names
  KINDS = [
    ["Please approve the transfer of ferry.example", "", "approval-request", %w[ferry.example]],
    [
      "Transfer of ferry.example",
      "The transfer away needs your approval. Click the link below to confirm.",
      "approval-request",
      %w[ferry.example]
    ],
    [
      "ferry.example is to leave us",
      "We received a request to transfer the name to another registrar. If you do " \
        "nothing it goes ahead.",
      "leaving-notice",
      %w[ferry.example]
    ],
    [
      "Outbound transfer started",
      "A transfer away of ISLES.EXAMPLE is pending. To cancel the transfer, sign in.",
      "leaving-notice",
      %w[isles.example]
    ],
    [
      "Transfer complete",
      "The transfer of ferry.example has finished.",
      "landed",
      %w[ferry.example]
    ],
    ["ferry.example is now held at us", "", "landed", %w[ferry.example]],
    [
      "Transfer lock removed",
      "The transfer lock of ferry.example was removed.",
      "lock-notice",
      %w[ferry.example]
    ],
    ["Changes to ferry.example", "It has been unlocked.", "lock-notice", %w[ferry.example]],
    [
      "Your authorization code",
      "The authorization code of ferry.example is: aB3x99",
      "code",
      %w[ferry.example]
    ],
    ["EPP code", "Auth-Code: zz11yy\nDomain: ferry.example", "code", %w[ferry.example]],
    [
      "Receipt 4471",
      "Payment received, total 9.02 EUR for ferry.example",
      "receipt",
      %w[ferry.example]
    ],
    ["Invoice", "Amount due: 15.00", "unpaid", []],
    ["Please verify your email address", "Reply with the word HARBOUR.", "contact-proof", []],
    [
      "Proof of identity wanted",
      "Send us a passport or identity card of the holder.",
      "identity-check",
      []
    ],
    [
      "Sorry to see you go",
      "Stay with us and save 30 % on ferry.example",
      "offer",
      %w[ferry.example]
    ],
    ["Special offer", "Renew now.", "offer", []],
    ["Minutes of Tuesday", "We met at the quay.", "unrelated", []],
    ["Approve the transfer of myferry.example", "", "unrelated", []],
    ["Approve the transfer of ferry.example.com", "", "unrelated", []],
    ["Authorization code", "The code for someone.test is: abc123", "unrelated", []],
    # what has not happened is not “landed”
    [
      "Transfer of ferry.example",
      "The transfer will be completed within five days.",
      "read-it-yourself",
      %w[ferry.example]
    ],
    [
      "Transfer of ferry.example",
      "The transfer could not be completed.",
      "read-it-yourself",
      %w[ferry.example]
    ],
    [
      "Transfer of ferry.example",
      "The transfer has not been completed yet.",
      "read-it-yourself",
      %w[ferry.example]
    ],
    [
      "Transfer of ferry.example",
      "Once the transfer is complete, we will write again.",
      "read-it-yourself",
      %w[ferry.example]
    ],
    [
      "Your transfer",
      "The transfer of ferry.example was completed, and your services will end.",
      "landed",
      %w[ferry.example]
    ],
    ["Notes on ferry.example", "We met at the quay.", "read-it-yourself", %w[ferry.example]],
    # names
    ["News of www.ferry.example", "", "read-it-yourself", %w[ferry.example]],
    ["Minutes", "Write to clerk@ferry.example.", "unrelated", []],
    ["ferry.exampleの移管が完了しました", "", "landed", %w[ferry.example]],
    [
      "Authorization code of ferry.example",
      "The code is below.\n\nYour other domains with us: isles.example",
      "code",
      %w[ferry.example]
    ],
    ["The domain name <ferry.example> has been unlocked", "", "lock-notice", %w[ferry.example]],
    ["Your request", "> ferry.example is now held at us.", "landed", %w[ferry.example]]
  ].freeze

  def test_kinds
    KINDS.each do |subject, text, kind, names|
      found = read(subject, text)
      assert_equal [kind, names], [found.kind, found.names], "#{subject} #{text}: #{reasons(found)}"
    end
  end

  PASSED = {
    "Ihre Identitätsprüfung wurde erfolgreich abgeschlossen." => true,
    "Votre vérification d’identité a été validée." => true,
    "La verificación de identidad ha sido aprobada." => true,
    "La verifica dell’identità è stata superata." => true,
    "De identiteitscontrole is geslaagd." => true,
    "A verificação de identidade foi aprovada." => true,
    "Weryfikacja tożsamości została zakończona." => true,
    "本人確認が完了しました。" => true,
    "Sobald Ihre Identitätsprüfung abgeschlossen ist, geht es weiter." => false,
    "La vérification d’identité n’a pas été validée." => false,
    "La verificación de identidad no ha sido aprobada." => false,
    "De identiteitscontrole is nog niet voltooid." => false,
    "本人確認はまだ完了していません。" => false,
    "Your identity check is passed." => true,
    "The identity check was successful." => true,
    "Identity check complete" => true,
    "Type this number to show who you are. The identity check is open for one day." => false,
    "We need your passport for the identity check." => false
  }.freeze

  def test_a_check_that_was_passed
    PASSED.each do |text, passed|
      found = read("Your identity check", text)
      assert_equal ["identity-check", passed], [found.kind, found.passed], text
    end
    refute Core::Post::Lexicon.asks?(
             "identity-check",
             at: SENT,
             deadline: nil,
             trust: "proven",
             over: false,
             passed: true
           )
    refute Core::Post::Lexicon.asks?(
             "contact-proof",
             at: SENT,
             deadline: nil,
             trust: "proven",
             over: false,
             answers: true
           ),
           "it answers a letter of ours"
  end

  # kind, deadline (days from when it was sent), doubtful, over => does it still want an answer two
  # days later?
  ANSWERS = [
    ["approval-request", 5, false, false, true],
    ["approval-request", 5, false, true, false],
    ["approval-request", 5, true, false, false],
    ["approval-request", 1, false, false, false],
    ["approval-request", 2, false, false, false],
    ["identity-check", nil, false, false, true],
    ["contact-proof", 3, false, false, true],
    ["landed", nil, false, false, false],
    ["offer", 9, false, false, false],
    ["code", 5, false, false, false],
    ["unrelated", nil, false, false, false]
  ].freeze

  def test_what_still_wants_an_answer
    ANSWERS.each do |kind, days, doubtful, over, wants|
      deadline = days && (SENT + (days * 86_400))
      assert_equal wants,
                   Core::Post::Lexicon.asks?(
                     kind,
                     at: SENT + (2 * 86_400),
                     deadline: deadline,
                     over: over,
                     trust: doubtful ? "doubtful" : "unproven"
                   ),
                   [kind, days, doubtful, over].inspect
    end
  end

  # What ended without a landing is told apart from what will, or may (invented letters; common
  # practice, no source).
  ENDED = {
    "The transfer of ferry.example did not take place." => true,
    "The transfer of ferry.example to us was ended before it was complete.\nThe transfer did not take place." =>
      true,
    "Your order for ferry.example could not be placed." => true,
    "The transfer has been rejected by the present registrar." => true,
    "Your transfer request was cancelled." => true,
    "Der Transfer von ferry.example wurde abgelehnt." => true,
    "Le transfert de ferry.example a été refusé." => true,
    "La transferencia de ferry.example fue rechazada." => true,
    "The transfer of ferry.example is complete." => false,
    "If the transfer is not approved, it will be cancelled." => false,
    "Unless you answer, the transfer was refused." => false,
    "Your hosting was cancelled." => false
  }.freeze

  def test_what_says_that_a_transfer_ended
    ENDED.each { |text, ended| assert_equal ended, Core::Post::Lexicon.ended?(text), text }
  end
end
