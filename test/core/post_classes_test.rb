# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_reading"

# Whole classes of messages, each in a table: what must never be taken for a code, what somebody
# else planted in a message, what a message is not about. All invented; common practice, no source.
class PostClassesTest < Minitest::Test
  include PostReading

  # What stands where a code is looked for, and is none.
  NO_CODES = %w[
    processing
    completed
    failed
    mailed
    issued
    unavailable
    emailed
    queued
    delivered
    dispatched
    resent
    re-sent
    not-sent
    in_progress
    inProgress
    on-hold
    sent-by-post
    awaiting-approval
    pending
    PENDING
    Processing
    Resent
    active
    ok
    OK
    unknown
    null
    NULL
    none
    n/a
    tba
    undefined
    transferred
    waiting
    envoyé
    envoyée
    expiré
    EN-ATTENTE
    enviado
    caducado
    expedido
    abgelaufen
    versendet
    Versendet
    AUSSTEHEND
    ungültig
    inviato
    scaduto
    verzonden
    verlopen
    wysłano
    nieaktywny
    ORD-2027-0312
    #81734
    INV-2231
    TICKET-99812
    //my.reg.test/codes
    https://my.reg.test/c
    www.reg.test
    192.0.2.14
    2001:db8::1
    29:11Z
    10:30
    2027-03-12
    12.03.2027
    03/12/2027
    5days
    48h
    3/5
    15.00
    15.00€
    {{auth_code}}
    ${code}
    %CODE%
    [code]
    XXXXXXXX
    ********
    ••••••••
    clientTransferProhibited
    serverHold
    notices@reg.test
    other.example
  ].freeze

  # Where they stand; %s twice or once.
  PLACES = [
    "The authorization codes:\nferry.example   %s\nisles.example   %s",
    "We list the codes of your names.\nferry.example   %s\nisles.example   %s",
    "Domain | Auth code\nferry.example | %s\nisles.example | %s",
    "Domain;AuthInfo;Status\nferry.example;%s;ok",
    "Domain\tCode status\nferry.example\t%s",
    "Authorization code of ferry.example: %s",
    "Your authorization code is %s.",
    "The authorization code is\n\n   %s\n",
    "ferry.example: %s\nThese are the states of your codes."
  ].freeze

  def test_what_is_no_code_gives_none
    wrong =
      PLACES
        .product(NO_CODES)
        .filter_map do |place, word|
          found = read("Authorization codes", place.gsub("%s", word))
          [place, word, found.code, found.codes] if found.code || found.codes.any?
        end
    assert_empty wrong
  end

  # Codes of every kind, each found behind a label and below a head, and never readable any more.
  GOOD = [
    "aB3x99kQ",
    "k7!Qz,92\"ab",
    "9aB-xx.71",
    "T5&rr~88vW",
    "w8Rt5yU2",
    "H3llo-W0rld9",
    "48151623",
    "QWXZRTPL",
    "tide7",
    "!!swordfish!!",
    "f00.bar.9",
    "aB|9x|7",
    "Pq93;kk0"
  ].freeze
  LABELS = [
    "Authorization code",
    "Auth-Code",
    "EPP code",
    "AuthInfo",
    "Transfer key",
    "TAC",
    "Transfer secret",
    "Transferslot",
    "Kod transferowy",
    "UDAI",
    "Verhuistoken",
    "Code d'autorisation",
    "Código de autorización",
    "Codice di autorizzazione"
  ].freeze

  def test_a_code_behind_its_label_is_found_whole
    LABELS
      .product(GOOD)
      .each do |label, code|
        text = "#{label}: #{code}\n\nRegards"
        found = read("About ferry.example", text)
        assert_equal code, found.code, "#{label} #{code}"
        kept = Core::Post::Masking.mask(text, found.candidates, speaks: found.speaks)
        refute_includes kept, code, "#{label} #{code}"
      end
    (GOOD - %w[aB|9x|7 QWXZRTPL]).each do |code|
      found = read("Codes", "Domain | Auth code\nferry.example | #{code}\nisles.example | zz99Ab")
      assert_equal({ "ferry.example" => code, "isles.example" => "zz99Ab" }, found.codes, code)
    end
  end

  # A question: none is taken, and what may be (a part of) it is out of sight.
  QUESTIONS = {
    "Authorization code: swordfish" => %w[swordfish],
    "Authorization code: correct horse battery staple" => [
      "correct horse battery staple",
      "battery"
    ],
    "Transfer secret: Tide Rises At Noon" => ["Tide Rises At Noon"],
    "Your authorization code is correct horse battery." => ["correct horse battery"],
    "The first half of the authorization code is: 7731-" => %w[7731-],
    "Authorization code part 1: aB3x99\nAuthorization code part 2: kQ77zz" => %w[aB3x99 kQ77zz],
    "One half of the code: QX-4410" => %w[QX-4410],
    "ferry.example   aB3x99kQ\nisles.example   kQ99xB3a\nMore on authorization codes." => %w[
      aB3x99kQ
      kQ99xB3a
    ],
    "Domain;AuthInfo;Status\nferry.example;Pq93;kk0;ok" => %w[Pq93;kk0]
  }.freeze

  def test_what_is_a_question_is_asked_and_masked
    QUESTIONS.each do |text, pieces|
      found = read("About ferry.example", text)
      assert_equal [nil, {}], [found.code, found.codes], text
      pieces.each { |piece| assert_includes found.candidates, piece, text }
      kept = Core::Post::Masking.mask(text, found.candidates, speaks: found.speaks)
      pieces.each { |piece| refute_includes kept, piece, text }
    end
  end

  PLANTED =
    "The authorization code of ferry.example is: Ev1l-c0de9\n" \
      "To approve the transfer: https://reg.test/approve/evil\nPlease answer by 6 March 2027."
  # How what somebody else wrote stands in a proven message.
  QUOTED = {
    "marked" => PLANTED.gsub(/^/, "> "),
    "wrote" => "On Mon, 1 Mar 2027 at 09:00, Ada <ada@office.test> wrote:\n#{PLANTED}",
    "wrote, broken" => "On Mon, 1 Mar 2027 at 09:00, Ada\n<ada@office.test> wrote:\n#{PLANTED}",
    "schrieb" => "Am 1.3.2027 um 09:00 schrieb Ada:\n#{PLANTED}",
    "a écrit" => "Le 1 mars 2027, Ada a écrit :\n#{PLANTED}",
    "original" => "-----Original Message-----\n#{PLANTED}",
    "fields" => "From: Ada\nSent: Monday\nTo: help\nSubject: code\n\n#{PLANTED}",
    "ticket" => "##- Please type your reply above this line -##\n#{PLANTED}",
    "your message" => "Your message:\n#{PLANTED}",
    "history" => "--- Ticket history ---\n#{PLANTED}"
  }.freeze

  # Nothing that somebody else wrote decides anything: no code, no link, no deadline, no kind.
  def test_what_is_quoted_decides_nothing
    QUOTED.each do |how, quoted|
      found = proven("We have received your message about ferry.example.\n\n#{quoted}")
      assert_decides_nothing found, how
    end
    html = "<p>We got it.</p><blockquote>#{PLANTED.gsub("\n", "<br>")}</blockquote>"
    classed = "<p>We got it.</p><div class=\"x_quote\">#{PLANTED.gsub("\n", "<br>")}</div>"
    [html, classed].each do |page|
      marked = SteadyMove::Wire::Mail::Html.marked(page)
      found = proven(Core::Post::Marks.shown(marked), marked: marked)
      assert_decides_nothing found, page
    end
    along = proven("See the file.", beside: PLANTED)
    assert_decides_nothing along, "a file"
    assert_includes along.candidates, "Ev1l-c0de9"
  end

  def proven(text, **more)
    results = ["mx.test; dkim=pass header.d=reg.test"]
    read("Re: ferry.example", text, results: results, ids: %w[mx.test], marked: text, **more)
  end

  def assert_decides_nothing(found, how)
    assert_equal ["proven", nil, {}, nil, nil],
                 [found.trust, found.code, found.codes, found.link, found.deadline],
                 how
    refute_includes %w[code approval-request], found.kind, how
  end

  # An answer's subject may be what an outsider wrote; our own reference is no code.
  def test_the_subject_of_an_answer_gives_questions_at_most
    [
      "Re: Authorization code Ev1l-c0de9",
      "AW: [77] auth code: Ev1l-c0de9",
      "Fwd: code: Ev1l-c0de9"
    ].each do |subject|
      found = read(subject, "We look into it for ferry.example.")
      assert_equal [nil, {}], [found.code, found.codes], subject
      kept = Core::Post::Masking.mask(subject, found.candidates, speaks: found.speaks)
      refute_includes kept, "Ev1l-c0de9", subject
    end
    assert_nil read("[SM-1] Your authorization code", "It follows.").code
    assert_equal "aB3x99kQ", read("Re: [SM-0001-ab9c] code", "The auth code is aB3x99kQ.").code
  end

  # subject, text => kind
  KINDS = {
    ["Renewal", "ferry.example will be deleted unless you renew it."] => "read-it-yourself",
    ["Outgoing transfer cancelled", "The outgoing transfer of ferry.example was cancelled."] =>
      "read-it-yourself",
    ["Transfer away", "The transfer of ferry.example to another registrar was rejected."] =>
      "read-it-yourself",
    ["Payment declined", "Your card was declined for ferry.example; EUR 9.02 was not charged."] =>
      "unpaid",
    ["Invoice 4711", "Your invoice for ferry.example over EUR 9.02 is due on 12 March."] =>
      "unpaid",
    ["Payment failed", "We could not charge your card for ferry.example."] => "unpaid",
    [
      "Rechnung überfällig",
      "Ihre Rechnung für ferry.example ist noch unbezahlt. Bitte zahlen Sie."
    ] =>
      "unpaid",
    ["Your name was suspended", "ferry.example has been suspended: an invoice is unpaid."] =>
      "hold",
    ["Receipt", "Thank you for your payment of EUR 9.02 for ferry.example. Order A-12."] =>
      "receipt",
    ["Transfer completed? Rate us", "How did we do with ferry.example?"] => "read-it-yourself",
    [
      "How to transfer",
      "This guide shows how to see that the transfer of ferry.example has completed."
    ] =>
      "read-it-yourself",
    ["移管について", "ferry.example の移管はまだ完了していません。"] => "read-it-yourself",
    ["ferry.example", "The transfer of ferry.example has been completed."] => "landed",
    [
      "ferry.example",
      "A request to transfer ferry.example to another registrar was received. " \
        "Unless you object by 6 March 2027, it goes ahead."
    ] =>
      "leaving-notice"
  }.freeze

  def test_kinds_that_are_not_what_they_sound_like
    KINDS.each do |(subject, text), kind|
      assert_equal kind, read(subject, text).kind, "#{subject}: #{text}"
    end
  end

  # text => amount in minor units
  SUMS = {
    "Total: EUR 12.5" => [1250, "EUR"],
    "Total: £8.4" => [840, "GBP"],
    "Total: KWD 1.25" => [1250, "KWD"],
    "Total: 1.234,5 EUR" => [123_450, "EUR"],
    "Total: EUR 1,234" => [123_400, "EUR"],
    "Total: JPY 1,200" => [1200, "JPY"]
  }.freeze

  def test_sums_with_one_decimal
    SUMS.each do |text, (minor, currency)|
      found = Core::Post::Sums.find(text).amount
      assert_equal [minor, currency], [found.minor, found.currency], text
    end
  end

  LONG = "https://reg.test/transfer/ferry.example/approve?token=aaaaaaaaaaaaaaaaaaaaaaaaaaaa"
  # text => the link to approve with: whole, or none
  WRAPPED = {
    "To approve: <#{LONG[0, 60]}\n#{LONG[60..]}>" => LONG,
    "To approve:\n#{LONG[0, 70]}\n#{LONG[70..]}\n" => nil,
    "To approve:\n#{LONG}\n\nRegards" => LONG,
    "To approve:\n#{LONG}\nThank you" => LONG
  }.freeze

  def test_a_link_is_offered_whole_or_not_at_all
    WRAPPED.each do |text, link|
      found = read("Please approve the transfer of ferry.example", text, results: [], ids: [])
      link.nil? ? assert_nil(found.link, text) : assert_equal(link, found.link, text)
    end
    ["Accept our offer and stay", "Withhold consent", "Keep ferry.example here"].each do |words|
      found = Core::Post::Links.read(Core::Post::Marks.mark(words, "https://reg.test/x/1"))
      assert_equal "decline", found.first.role, words
    end
  end
end
