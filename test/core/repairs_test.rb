# frozen_string_literal: true

require_relative "../test_helper"

# What can be done about a contact, with its consequences. The block after a registrant change:
# ICANN Transfer Policy II.C, from memory; what is best first: common practice, no source.
class RepairsTest < Minitest::Test
  AT = Time.utc(2027, 3, 1, 8)
  PLAIN = {
    role: "registrant",
    at: AT,
    block_days: 60,
    opt_out: nil,
    late: nil,
    shared: 0,
    mail_decides: true,
    code_elsewhere: false
  }.freeze

  def choices(**more) = Core::Contacts::Repairs.choices(**PLAIN, **more)
  def choice(id, **more) = choices(**more).find { |c| c.id == id }

  # case => {choice => can it be done}
  POSSIBLE = [
    [
      {},
      {
        "read" => true,
        "admin" => false,
        "opt-out" => false,
        "after" => false,
        "registrant" => true
      }
    ],
    [{ opt_out: true }, { "opt-out" => true }],
    [
      { role: "admin" },
      { "read" => true, "admin" => true, "opt-out" => nil, "registrant" => nil, "after" => false }
    ],
    [{ mail_decides: false }, { "admin" => true, "after" => true }],
    [{ code_elsewhere: true }, { "after" => true }],
    [{ role: "admin", same_entry: true }, { "admin" => false }]
  ].freeze

  def test_what_can_be_done
    POSSIBLE.each do |given, expected|
      found = choices(**given).to_h { |c| [c.id, c.possible] }
      expected.each do |id, possible|
        if possible.nil?
          refute(found.key?(id), [given, id].inspect)
        else
          assert_equal(possible, found.fetch(id), [given, id].inspect)
        end
      end
    end
  end

  # choice, case => a part of its consequences
  CONSEQUENCES = [
    ["registrant", {}, "until <2027-04-30T08:00:00Z>"],
    ["registrant", { block_days: nil }, "knows no block"],
    ["registrant", { shared: 11 }, "11 other names"],
    ["admin", { role: "admin" }, "starts no block"],
    ["admin", { role: "admin", late: 21_600 }, "6 hours later"],
    ["admin", { role: "admin", late: 1800 }, "30 minutes later"],
    ["admin", {}, "goes to the registrant"],
    ["admin", { same_entry: true }, "the registrant's own entry"],
    ["opt-out", {}, "not known to offer"],
    ["opt-out", { opt_out: true }, "declared before the change"],
    ["after", {}, "has to be read before"],
    ["after", { mail_decides: false }, "blocks only the next one"],
    ["read", {}, "nothing is blocked"]
  ].freeze

  def test_consequences_are_said_before_anything_is_changed
    CONSEQUENCES.each do |id, given, part|
      assert_includes choice(id, **given).says.map { |s| said(s) }.join(" "),
                      part,
                      [id, given].inspect
    end
  end

  def test_only_a_registrant_change_blocks_and_for_sixty_days
    assert_equal(
      [["registrant-change", AT, AT + (60 * 86_400)]],
      choices(opt_out: true).filter_map(&:blocks)
    )
    assert_empty choices(block_days: nil).filter_map(&:blocks)
    assert_equal(%w[read], choices.select(&:best).map(&:id))
  end

  # fields => missing (RFC 5733 §3.2.1 wants name, city, country, e-mail; street and telephone:
  # common practice)
  WHOLE = {
    "id" => "c1",
    "name" => "Ada",
    "street" => "1 Quay",
    "city" => "Saltern",
    "country" => "GB",
    "voice" => "+44.1632960142",
    "email" => "ada@x.test"
  }.freeze
  CARDS = [
    [WHOLE, []],
    [WHOLE.merge("voice" => ""), %w[voice]],
    [WHOLE.merge("voice" => " ", "street" => nil), %w[street voice]],
    [WHOLE.merge("email" => "ada at x"), %w[email]],
    [WHOLE.except("city", "country"), %w[city country]],
    [{ "email" => "ada@x.test" }, []]
  ].freeze

  def test_completeness
    CARDS.each do |fields, missing|
      card = Core::Contacts::Card.new(role: "registrant", fields: fields)
      assert_equal [missing, missing.empty? && fields.key?("id")],
                   [card.missing, card.complete?],
                   fields.inspect
    end
  end
end
