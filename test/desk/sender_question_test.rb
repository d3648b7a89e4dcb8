# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/post_arriving"

# Mail about a held name from a domain that nobody knows yet.
class SenderQuestionTest < Minitest::Test
  include PostArriving

  # A domain that nobody knows writes about a held name: asked once, and what came from there counts
  # only where the mailbox's server found that it did.
  def test_whom_an_unknown_domain_writes_for
    code = ["Authorization code of #{NAME}", "The authorization code is: Rt6-uu-81mzQ"]
    forged = arrive(*code, from: "post@tarnpost.example", proven: false)
    known = arrive(*code, from: "post@tarnpost.example")
    questions = SteadyMove::Desk::Mail::SenderQuestion.new(@app)
    asked = questions.of(@app.messages.find(known.id))
    assert_equal ["tarnpost.example", %w[tarnbeck], true],
                 [asked.domain, asked.accounts.map(&:id), asked.proven]
    refute questions.of(forged).proven
    assert_nil held
    questions.answer(known.id, account_id: "tarnbeck", by: "ada")
    assert_equal ["held", true, false],
                 [held, *[known, forged].map { |m| @app.messages.find(m.id).proven? }]
    assert_nil questions.of(@app.messages.find(forged.id)), "it was answered"
    assert_equal "ada: Tarnbeck Names writes from tarnpost.example.", said("places")
  end

  def test_a_domain_that_writes_for_nobody_is_not_asked_about_again
    questions = SteadyMove::Desk::Mail::SenderQuestion.new(@app)
    looks = arrive("About #{NAME}", "Approve it.", from: "post@tarnbeсk.example")
    assert_nil questions.of(looks), "made to look like one that is known"
    assert_nil questions.of(arrive("About #{NAME}", "x", from: "a@tarnbeck.example"))
    other = arrive("Renew #{NAME}", "Renew it with us.", from: "offers@names-office.example")
    questions.answer(other.id, account_id: nil, by: "ada")
    assert_nil questions.of(@app.messages.find(other.id))
    assert_raises(SteadyMove::Desk::Refused) do
      questions.answer(other.id, account_id: "tarnbeck", by: "ada")
    end
    refute_includes @app.accounts.find("tarnbeck").sender_domains, "names-office.example"
  end

  def said(type) = @app.journal.page.find { |e| e.type == type }.says
end
