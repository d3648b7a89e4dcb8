# frozen_string_literal: true

require_relative "../test_helper"

# What nobody has seen is neither yes nor no: facts that lack, statuses that are not understood
# (rules of the job §2).
class NotKnownTest < Minitest::Test
  NOW = Time.utc(2027, 3, 1, 8)
  KNOWN = {
    created_at: Time.utc(2020),
    statuses: ["ok"],
    zone_ends_with_account: false,
    expires_at: Time.utc(2028, 3, 1),
    registrant_changed_at: Time.utc(2020),
    code_held: true,
    registrant_email: "holder@elsewhere.test",
    mailbox: "proven",
    signed: false,
    paid: true,
    privacy: false,
    auto_renew: true
  }.freeze
  AHEAD = ->(days) { NOW + (days * 86_400) }

  def judge(**values)
    Core::Readiness::Judge.judge(
      rulebook,
      domain("ferry.example"),
      Core::Readiness::Facts.ruled(values)
    ).verdict(NOW)
  end

  # A name of which nothing could be read is never ready, and its ruler is empty; one fact less than
  # all is enough. What nobody outside can see keeps it from nothing.
  HARD = %i[statuses created_at expires_at].freeze
  SOFT = %i[
    registrant_changed_at
    paid
    privacy
    signed
    zone_ends_with_account
    registrant_email
  ].freeze

  def test_nothing_read_is_not_ready
    span = [NOW.to_i, AHEAD[300].to_i]
    bare =
      Core::Readiness::Judge.judge(
        rulebook,
        domain("ferry.example"),
        Core::Readiness::Facts.ruled({})
      ).outline
    assert_equal ["unknown", [], [span], nil],
                 [
                   bare.gate(NOW.to_i).plan_kind,
                   bare.windows(*span),
                   bare.dark(*span),
                   bare.earliest_start(span.first)
                 ]
    HARD.each { |key| assert_equal "unknown", judge(**KNOWN.except(key)).kind, key }
    SOFT.each { |key| assert_equal "clear", judge(**KNOWN.except(key)).kind, key }
    barred = judge(**KNOWN.except(:created_at), statuses: ["serverTransferProhibited"])
    assert_equal "barred", barred.kind, "what is known to bar it bars it"
  end

  # What its registry shows to nobody is not waited for.
  def test_what_a_registry_withholds_is_not_asked_for
    gtld = rulebook.families.find { |f| f.id == "gtld" }
    family = gtld.class.build(**gtld.to_h, withheld: %w[expires_at])
    hard = family.judged_by.select { |entry, *| entry.hard }.map { |entry, *| entry.id }
    assert_equal %w[too-late after-expiry],
                 gtld.judged_by.filter_map { |e, *| e.id if e.hard } - hard
  end

  # As registries write them => EPP's word; is the lock on?
  STATUSES = {
    "client transfer prohibited" => true,
    "Client Transfer Prohibited" => true,
    "CLIENT_TRANSFER_PROHIBITED" => true,
    "client-transfer-prohibited" => true,
    "clienttransferprohibited" => true,
    "clientTransferProhibited https://registry.test/epp#clientTransferProhibited" => true,
    "https://registry.test/epp#clientTransferProhibited" => true,
    "client\u00a0transfer\u00a0prohibited" => true,
    "transfer prohibited" => true,
    "active" => false,
    " OK " => false,
    "server hold" => false,
    "locked" => nil,
    "registrar-lock" => nil,
    "gesperrt" => nil,
    "" => nil
  }.freeze

  def test_a_status_that_is_not_understood_is_never_no_lock
    STATUSES.each do |written, locked|
      status = Core::Names::Statuses.to_epp(written)
      assert_equal Core::Answer.of(locked),
                   Core::Names::Statuses.lock([status].reject(&:empty?)),
                   written
      expected = { true => "fix", false => "clear", nil => "unknown" }.fetch(locked)
      assert_equal expected, judge(**KNOWN, statuses: [status].reject(&:empty?)).kind, written
    end
    assert_raises(ArgumentError) { Core::Answer.of("maybe") }
  end

  # What comes after the expiry is not known, unless somebody knows whether the name renews itself.
  def test_after_the_expiry
    span = [NOW.to_i, AHEAD[400].to_i]
    expires = AHEAD[200].to_i
    { nil => [[expires, span.last]], false => [] }.each do |renews, dark|
      facts = KNOWN.merge(expires_at: AHEAD[200], auto_renew: renews, paid: nil).compact
      outline =
        Core::Readiness::Judge.judge(
          rulebook,
          domain("ferry.example"),
          Core::Readiness::Facts.ruled(facts)
        ).outline
      assert_equal [[[span.first, expires]], dark],
                   [outline.windows(*span), outline.dark(*span)],
                   renews.inspect
    end
  end

  # Kleene's strong conjunction; nothing at all is not known.
  ALL = {
    [true, true] => true,
    [true, nil] => nil,
    [false, nil] => false,
    [true, false] => false,
    [] => nil
  }.freeze

  def test_answers_together
    ALL.each do |given, all|
      assert_equal Core::Answer.of(all),
                   Core::Answer.all(given.map { |v| Core::Answer.of(v) }),
                   given.inspect
    end
    unknown = Core::Answer.of(nil)
    assert_equal [false, false, false, nil, "unknown"],
                 [unknown.yes?, unknown.no?, unknown.known?, unknown.to_value, unknown.to_s]
  end
end
