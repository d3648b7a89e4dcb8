# frozen_string_literal: true

require_relative "../test_helper"

# Money by hand-worked tables: what receipts say, and what in a ledger does not fit (common
# practice, no source).
class LedgerTest < Minitest::Test
  S = Core::Post::Sums
  L = Core::Money::Ledger
  A = Core::Money::Amount

  # text => [minor, currency, number, refund]
  MAILS = {
    "Order A-1042\nTransfer 8.84\nTotal: 9.02 EUR" => [902, "EUR", "A-1042", false],
    "Net 7.58 EUR\nVAT 19 % 1.44 EUR\nTotal EUR 9.02" => [902, "EUR", nil, false],
    "Subtotal £8.00\nTotal £9.60\nVAT included £1.60" => [960, "GBP", nil, false],
    "Rechnung Nr. 2027-0815: Gesamtbetrag 1.234,50 €" => [123_450, "EUR", "2027-0815", false],
    "We refunded 9.02 EUR of order 77123" => [902, "EUR", "77123", true],
    "合計 900 JPY" => [900, "JPY", nil, false],
    "Total 1 250,00 EUR" => [125_000, "EUR", nil, false],
    "Total KWD 1.250" => [1250, "KWD", nil, false],
    "Thank you for your order." => [nil, nil, nil, false],
    "Total: $9.02" => [nil, nil, nil, false] # whose dollar it is does not stand there
  }.freeze

  def test_what_a_receipt_says
    MAILS.each do |text, (minor, currency, number, refund)|
      found = S.find(text)
      assert_equal [minor, currency, number, refund].inspect,
                   [
                     found.amount&.minor,
                     found.amount&.currency,
                     found.number,
                     found.refund
                   ].inspect,
                   text
    end
  end

  def entry(kind, minor, day, account: "new", moves: [1], ref: nil)
    L::Entry.new(
      kind: kind,
      at: Time.utc(2027, 3, day),
      account: account,
      moves: moves,
      source: "mail",
      ref: ref || "#{kind}#{day}",
      amount: minor && A.new(minor, "EUR")
    )
  end

  def moves(ending: "settled", landed: 5)
    [1, 2].to_h do |id|
      [
        id,
        L::Move.new(
          id: id,
          name: "n#{id}.example",
          from: "old",
          to: "new",
          ending: ending,
          landed_at: landed && Time.utc(2027, 3, landed)
        )
      ]
    end
  end

  # what => [entries, moves, kinds of differences]
  def cases
    quote = [entry("quote", 902, 1), entry("quote", 902, 1, moves: [2])]
    {
      "as quoted" => [[*quote, entry("receipt", 902, 2)], moves, []],
      "charged otherwise" => [[*quote, entry("receipt", 950, 2)], moves, %w[otherwise]],
      "two names in one receipt" => [[*quote, entry("receipt", 1804, 2, moves: [1, 2])], moves, []],
      "two names, one sum too many" => [
        [*quote, entry("receipt", 1900, 2, moves: [1, 2])],
        moves,
        %w[otherwise]
      ],
      "charged twice" => [
        [*quote, entry("receipt", 902, 2), entry("receipt", 902, 3)],
        moves,
        %w[twice]
      ],
      "charged twice, one paid back" => [
        [*quote, entry("receipt", 902, 2), entry("receipt", 902, 3), entry("refund", 902, 4)],
        moves,
        []
      ],
      "charged and not set up" => [
        [*quote, entry("receipt", 902, 2)],
        moves(ending: "called-off", landed: nil),
        %w[not-set-up]
      ],
      "called off and paid back" => [
        [*quote, entry("receipt", 902, 2), entry("refund", 902, 9)],
        moves(ending: "called-off", landed: nil),
        []
      ],
      "still charged at the old account" => [
        [*quote, entry("receipt", 1500, 9, account: "old")],
        moves,
        %w[still-charged]
      ],
      "the old account's receipt of before" => [
        [*quote, entry("receipt", 1500, 2, account: "old")],
        moves,
        []
      ],
      "a sum that nobody could read" => [[*quote, entry("receipt", nil, 2)], moves, []]
    }
  end

  def test_what_does_not_fit
    cases.each do |what, (entries, moves, kinds)|
      assert_equal kinds, L.differences(entries, moves).map(&:kind), what
    end
  end

  def test_what_was_spent
    quote = entry("quote", 902, 1)
    assert_equal [[], false], L.spent(1, [quote]), "a quote is not spent"
    assert_equal [[A.new(902, "EUR")], false], L.spent(1, [quote, entry("order", 902, 2)])
    assert_equal [[A.new(448, "EUR")], true],
                 L.spent(1, [entry("receipt", 950, 2), entry("refund", 502, 3)])
    shared = [entry("receipt", 1805, 2, moves: [1, 2])]
    assert_equal [903, 902],
                 [1, 2].map { |id| L.spent(id, shared).first.first.minor },
                 "nothing is lost in sharing"
  end

  # Whatever was charged stands in the sum of its own currency.
  def test_what_was_spent_in_two_currencies
    pounds = ->(kind, minor, at) do
      entry(kind, minor, at).tap { |e| e.amount = A.new(minor, "GBP") }
    end
    both = [entry("receipt", 950, 2), pounds["receipt", 700, 3]]
    assert_equal [[A.new(950, "EUR"), A.new(700, "GBP")], true], L.spent(1, both)
    back = [*both, pounds["refund", 700, 4]]
    assert_equal [[A.new(950, "EUR"), A.new(0, "GBP")], true], L.spent(1, back)
    assert_equal [[A.new(950, "EUR"), A.new(-200, "GBP")], true],
                 L.spent(1, [entry("receipt", 950, 2), pounds["refund", 200, 4]])
  end
end
