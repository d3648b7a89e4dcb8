# frozen_string_literal: true

require_relative "../test_helper"

# Every rule by rows: what is known, under which suffix, going where → the verdict and the rules
# that hit (rules of the job §2).
class ReadinessTest < Minitest::Test
  OLD = Time.utc(2020, 1, 1)
  NOW = Time.utc(2027, 3, 1, 8)
  DAY = 86_400
  KNOWN = {
    created_at: OLD,
    statuses: ["ok"],
    zone_ends_with_account: false,
    expires_at: Time.utc(2028, 3, 1),
    registrant_changed_at: OLD,
    code_held: true,
    registrant_email: "holder@elsewhere.test",
    mailbox: "proven",
    signed: false,
    paid: true,
    privacy: false,
    auto_renew: true
  }.freeze
  PLACE = { id: "quay", title: "Quay", registrar: "Quay Ltd", can_pay: true }.freeze
  AGO = ->(days) { NOW - (days * DAY) }
  AHEAD = ->(days) { NOW + (days * DAY) }

  def judge(name = "ferry.example", to: nil, at: NOW, **values)
    known = domain_under(name)
    destination = to && Core::Readiness::Destination.new(**PLACE, **to)
    Core::Readiness::Judge.judge(
      rulebook,
      known,
      Core::Readiness::Facts.ruled(values),
      destination: destination
    ).verdict(at)
  end

  def domain_under(name) = Core::Names::DomainName.parse(name, suffixes: rulebook.deep_suffixes)

  # A transfer that the record tells of proves a recent move, whether or not it tells of the
  # creation; where a grace status contradicts an older event, the cautious one rules.
  def test_a_transfer_without_a_creation_date
    [1, 10, 59].each do |days|
      verdict = judge(**KNOWN, created_at: nil, transferred_at: AGO[days])
      assert_includes verdict.findings.map(&:rule), "recent-move", days
      refute_equal "clear", verdict.kind
    end
  end

  # Where a grace status contradicts an older event, the cautious one rules: days since the event
  # => days until the block clears.
  CONTRADICTING = { 2 => 58, 6 => 54, 7 => 60, 400 => 60, nil => 60 }.freeze

  def test_a_grace_status_and_an_older_event
    {
      "addPeriod" => %i[created_at new-name],
      "transferPeriod" => %i[transferred_at recent-move]
    }.each do |status, (event, rule)|
      CONTRADICTING.each do |ago, clears|
        known = KNOWN.merge(:statuses => [status], event => ago && AGO[ago]).compact
        facts =
          known.map do |key, value|
            Core::Readiness::Fact.new(
              key: key,
              value: value,
              source: :public_record,
              seen_at: NOW,
              ref: ""
            )
          end
        verdict =
          Core::Readiness::Judge.judge(
            rulebook,
            domain_under("ferry.example"),
            Core::Readiness::Facts.new(facts)
          ).verdict(NOW)
        found = verdict.findings.find { |f| f.rule == rule.to_s }
        assert_equal AHEAD[clears], found&.clears_at, "#{status}, #{ago.inspect}"
      end
    end
  end

  # A name below a suffix that somebody runs under a registry's own is not judged as that (the
  # Public Suffix List's private part).
  def test_a_private_suffix_is_not_its_parent
    own =
      PublicSuffix::List.default.each.select do |r|
        r.private && r.value.end_with?(".org", ".net") && r.is_a?(PublicSuffix::Rule::Normal)
      end
    below = own.map(&:value).reject { |suffix| rulebook.deep_suffixes.include?(suffix) }.first(20)
    assert_equal 20, below.size
    assert_empty(below.select { |suffix| family("tide.#{suffix}") })
    assert family("tide.org")
  end

  def family(name) = rulebook.family_of(Core::Names::DomainName.parse(name))

  # what differs from KNOWN => verdict, rules
  CASES = [
    [{}, "clear", []],
    [{ code_held: nil }, "clear", %w[code-missing]],
    [{ created_at: AGO[59] }, "wait", %w[new-name]],
    [{ created_at: AGO[60] }, "clear", []],
    [{ transferred_at: AGO[10] }, "wait", %w[recent-move]],
    [{ registrant_changed_at: AGO[1] }, "wait", %w[registrant-change]],
    [{ registrant_changed_at: AGO[1], change_opted_out: true }, "clear", []],
    [{ statuses: ["clientTransferProhibited"] }, "fix", %w[locked]],
    [{ statuses: ["serverTransferProhibited"] }, "barred", %w[registry-hold]],
    [{ statuses: ["pendingTransfer"] }, "barred", %w[in-transfer]],
    [{ statuses: %w[pendingTransfer], transfer_ends_at: AHEAD[2] }, "barred", %w[in-transfer]],
    [{ statuses: %w[redemptionPeriod pendingDelete] }, "barred", %w[going]],
    [{ statuses: ["pendingRenew"] }, "wait", %w[other-pending]],
    [{ statuses: %w[clientUpdateProhibited] }, "clear", []],
    [
      { statuses: %w[clientUpdateProhibited clientTransferProhibited] },
      "fix",
      %w[locked update-barred]
    ],
    [
      { statuses: %w[serverUpdateProhibited clientTransferProhibited] },
      "barred",
      %w[update-barred locked]
    ],
    [{ statuses: ["transfer prohibited"] }, "fix", %w[locked]],
    [{ statuses: ["clientHold"] }, "clear", %w[on-hold]],
    [{ dispute: "case 27-114" }, "barred", %w[dispute]],
    [{ registered: false, created_at: NOW }, "barred", %w[not-registered]],
    [{ expires_at: AGO[1], paid: false }, "fix", %w[unpaid grace-year]],
    [{ expires_at: AHEAD[44] }, "clear", %w[near-expiry]],
    [{ expires_at: AHEAD[46] }, "clear", []],
    [{ expires_at: AHEAD[11] }, "fix", %w[too-late]],
    [{ expires_at: AHEAD[11], late_accepted: AHEAD[11] }, "clear", %w[too-late]],
    [{ expires_at: AHEAD[11], late_accepted: AHEAD[12] }, "fix", %w[too-late]],
    [{ expires_at: AGO[1], auto_renew: false }, "barred", %w[after-expiry]],
    [{ expires_at: AHEAD[345], statuses: ["autoRenewPeriod"] }, "clear", %w[grace-year]],
    [{ expires_at: AHEAD[300], statuses: ["autoRenewPeriod"] }, "clear", []],
    [{ expires_at: AHEAD[(9 * 365.25) + 9] }, "clear", %w[ten-years]],
    [{ expires_at: AHEAD[(9 * 365.25) - 9] }, "clear", []],
    [{ transferred_at: nil, statuses: ["transferPeriod"] }, "wait", %w[recent-move]],
    [{ transferred_at: AGO[400] }, "clear", []],
    [{ expires_at: AHEAD[345], statuses: %w[autoRenewPeriod pendingRestore] }, "barred", %w[going]],
    [{ other_registrar: "Somebody Else, no. 4471" }, "fix", %w[other-registrar]],
    [{ other_registrar: false }, "clear", []],
    [{ to: { suffixes: ["example"] } }, "clear", []],
    [{ to: { suffixes: ["test"] } }, "barred", %w[suffix-unserved]],
    [{ to: { can_pay: false, why_not: "no balance" } }, "fix", %w[no-payment]],
    [{ privacy: "veil.test" }, "clear", []],
    [{ privacy: "veil.test", to: { reads_contacts: true } }, "fix", %w[privacy-on]],
    [{ name: "ferry.isl.test", privacy: true }, "fix", %w[privacy-on]],
    [{ privacy: true, code_after_privacy: true }, "fix", %w[privacy-first]],
    [
      { privacy: true, code_after_privacy: true, to: { reads_contacts: true } },
      "fix",
      %w[privacy-on]
    ],
    [{ privacy: false, code_after_privacy: true }, "clear", []],
    [{ mailbox: "bounced", change_opted_out: true }, "fix", %w[contact-unreachable]],
    [{ registrant_email: "" }, "fix", %w[contact-unreachable contact-trap]],
    [{ mailbox: "unproven" }, "clear", []],
    [
      { mailbox: "unproven", code_by_mail: true, change_opted_out: true },
      "fix",
      %w[contact-unreachable]
    ],
    [{ name: "ferry.isl.test", mailbox: "unproven" }, "fix", %w[contact-unreachable]],
    [{ registrant_email: "me@mail.ferry.example" }, "clear", %w[contact-on-name]],
    [{ same_zone: ["elsewhere.test"] }, "clear", %w[contact-on-name]],
    [{ mailbox: "unread" }, "fix", %w[contact-unreachable contact-trap]],
    [{ name: "ferry.crn.test" }, "fix", %w[presence]],
    [{ name: "ferry.crn.test", presence_proven: true }, "clear", []],
    [{ name: "ferry.fjd.test", code_received_at: AGO[30] }, "fix", %w[code-stale]],
    [{ name: "ferry.fjd.test", code_received_at: AGO[29] }, "clear", []],
    [{ code_rejected: true }, "fix", %w[code-unfit]],
    [{ code_unfit_for: ["quay"], to: {} }, "fix", %w[code-unfit]],
    [{ code_unfit_for: ["quay"] }, "clear", []],
    [{ zone_ends_with_account: "Old DNS" }, "fix", %w[dns-leaves]],
    [{ zone_ends_with_account: "Old DNS", signed: true }, "fix", %w[dns-leaves signed]],
    [{ signed: true }, "clear", []],
    [{ hosts_for_others: ["ns1.ferry.example"] }, "clear", %w[host-objects]],
    [{ tied_services: ["mail forwarding"] }, "clear", %w[tied-services]],
    [{ premium: true }, "clear", %w[premium]],
    # Families: no lock and no block by mail, at once, by push.
    [
      {
        name: "ferry.isl.test",
        statuses: ["clientTransferProhibited"],
        created_at: AGO[1],
        code_held: nil
      },
      "clear",
      []
    ],
    [{ name: "ferry.fjd.test", transferred_at: AGO[1], code_held: nil }, "clear", %w[code-missing]],
    [{ name: "ferry.brg.test", created_at: AGO[1], code_held: nil }, "clear", []],
    # Back to where it came from, when both agree.
    [{ transferred_at: AGO[10], came_from: "Quay Ltd", to: {} }, "clear", %w[recent-move]],
    [{ transferred_at: AGO[10], came_from: "Other", to: {} }, "wait", %w[recent-move]]
  ].freeze

  def test_every_rule
    hit =
      CASES.flat_map do |changed, kind, rules|
        found =
          judge(
            changed.fetch(:name, "ferry.example"),
            to: changed[:to],
            **KNOWN,
            **changed.except(:name, :to)
          )
        assert_equal [kind, rules], [found.kind, found.findings.map(&:rule)], changed
        refute_predicate found, :rests_on_less?, changed
        found.findings.each { |f| refute_match(/\{|\}/, f.because + f.remedy) }
        rules
      end
    open = %w[suffix-unlisted suffix-values]
    assert_empty Core::Readiness::Rules.all.keys - hit - open, "each rule has a row"
  end

  # Nobody knows whether privacy is on, and the losing side gives no code while it is.
  def test_privacy_that_is_not_known_before_a_code
    found = judge("ferry.example", **KNOWN, privacy: nil, code_after_privacy: true)
    assert_equal([["privacy-first", %i[privacy]]], found.unknown.map { |u| [u.rule, u.lacks] })
  end

  # A value that nobody knows makes no name ready: it is asked once for the suffix, and the site's
  # own word, with who said it and when, answers it.
  def test_a_suffix_of_which_not_all_is_known
    book = rulebook
    open = book.families.select { |family| family.not_known.to_a.any? }
    assert_operator open.sum { |family| family.suffixes.size }, :>=, 30
    open.each do |family|
      name = Core::Names::DomainName.parse("tide.#{family.suffixes.first}")
      known = Core::Readiness::Facts.ruled(KNOWN)
      found = Core::Readiness::Judge.judge(book, name, known).verdict(NOW)
      asked = found.unknown.find { |u| u.rule == "suffix-values" }
      assert_equal [family.not_known.size, true], [asked.lacks.size, asked.hard], family.id
      assert_empty(
        asked.lacks.reject { |key| SteadyMove::Words.catalogue.key?(:en, "facts.#{key}") }
      )
      refute_equal "clear", found.kind
      told = family.not_known.map { |key| answer(family.suffixes.first, key) }
      answered = Core::Readiness::Judge.judge(book.with(told), name, known).verdict(NOW)
      refute_includes answered.unknown.map(&:rule), "suffix-values", family.id
    end
  end

  ANSWERS = {
    "code" => "needed",
    "lock" => "none",
    "approval" => "none",
    "code_days" => 30,
    "years_added" => 0,
    "response_days" => 5
  }.freeze

  def answer(suffix, key)
    said = {
      "text" => "its support, by telephone",
      "kind" => "C",
      "verified" => false,
      "date" => "2027-02-01"
    }
    Core::Readiness::Override.new(
      suffix: suffix,
      key: key,
      value: ANSWERS.fetch(key, "off"),
      source: said
    )
  end

  # Sixty 24-hour days from the event, half open: the last second bars, the next clears; over leap
  # days and year ends (§1).
  EDGES = [
    %w[2026-09-26T14:05:00Z 2026-11-25T14:04:59Z wait],
    %w[2026-09-26T14:05:00Z 2026-11-25T14:05:00Z clear],
    %w[2027-12-31T23:59:59Z 2028-02-29T23:59:58Z wait],
    %w[2027-12-31T23:59:59Z 2028-02-29T23:59:59Z clear]
  ].freeze

  def test_sixty_days_to_the_second
    EDGES.each do |from, at, kind|
      %i[created_at transferred_at registrant_changed_at].each do |key|
        assert_equal kind,
                     judge(
                       :at => utc(at),
                       **KNOWN,
                       :expires_at => Time.utc(2030, 3, 1),
                       key => utc(from)
                     ).kind,
                     "#{key} #{from} at #{at}"
      end
    end
  end

  def test_a_wait_ends_with_the_latest_of_its_reasons_and_a_bar_rules_it
    both = { **KNOWN, created_at: AGO[20], transferred_at: AGO[5] }
    assert_equal AHEAD[55], judge(**both).clears_at
    assert_nil judge(**both, statuses: ["pendingUpdate"]).clears_at
    barred = judge(**both, statuses: ["serverTransferProhibited"])
    assert_equal %w[barred registry-hold], [barred.kind, barred.findings.first.rule]
  end

  # Windows, soft stretches, earliest and latest start over a horizon.
  def test_windows
    outline =
      Core::Readiness::Judge.judge(
        rulebook,
        domain("ferry.example"),
        Core::Readiness::Facts.ruled({ **KNOWN, created_at: AGO[20], expires_at: AHEAD[200] })
      ).outline
    now = NOW.to_i
    at = ->(days) { now + (days * DAY) }
    assert_equal [[at[40], at[400]]], outline.windows(now, at[400])
    assert_equal [[at[155], at[245]]], outline.soft(now, at[400])
    assert_equal [at[40], [at[40], at[400]]],
                 [outline.earliest_start(now), outline.next_window(now, at[400])]
    assert_equal at[40], outline.next_change(now)
    barred =
      Core::Readiness::Judge.judge(
        rulebook,
        domain("ferry.example"),
        Core::Readiness::Facts.ruled({ **KNOWN, dispute: "x" })
      ).outline
    assert_equal [[], nil], [barred.windows(now, at[400]), barred.earliest_start(now)]
  end

  # Expiry − P90 of the whole move − 3 d; P90 of (1 h, 168 h, 240 h) by the triangular
  # distribution's own formula.
  def test_the_latest_safe_start
    judged =
      Core::Readiness::Judge.judge(
        rulebook,
        domain("ferry.example"),
        Core::Readiness::Facts.ruled(KNOWN)
      )
    p90 = (240 - Math.sqrt(0.1 * 239 * 72)) * 3600
    assert_equal KNOWN[:expires_at].to_i - p90.ceil - (3 * DAY), judged.latest_safe_start
  end

  def test_what_is_not_known_is_no_finding_and_the_verdict_says_so
    found = judge(statuses: ["ok"])
    assert_equal ["unknown", %w[new-name too-late after-expiry recent-move].sort],
                 [found.kind, found.lacking.map(&:rule).sort],
                 "the hard rules want their facts"
    assert_empty %w[
                   new-name
                   recent-move
                   dns-leaves
                   near-expiry
                   contact-unreachable
                   registrant-change
                 ] - found.unknown.map(&:rule)
    assert(found.unknown.all? { |u| u.lacks.any? && u.find_out })
    late = judge(**KNOWN, statuses: ["pendingTransfer"], transfer_ends_at: AGO[1])
    assert_equal ["unknown", ["in-transfer"]], [late.kind, late.unknown.map(&:rule)]
  end

  def test_where_sources_differ_the_more_cautious_one_rules
    seen =
      facts(
        source: :account,
        statuses: ["ok"],
        expires_at: AHEAD[9],
        name_servers: %w[a.test B.test],
        paid: true
      ) +
        facts(
          source: :public_record,
          statuses: ["clientTransferProhibited"],
          expires_at: AHEAD[8],
          name_servers: %w[b.test a.test]
        ) + facts(source: :hand, paid: false)
    both = Core::Readiness::Facts.new(seen)
    assert_equal [["clientTransferProhibited"], AHEAD[8], false],
                 [both.statuses, both[:expires_at], both[:paid]]
    assert_equal %i[expires_at paid statuses], both.contradictions.sort
  end

  # What nobody wrote down is not known, never barred: what the record shows is judged (rules of the
  # job §2).
  def test_a_suffix_that_no_family_lists
    found = judge("ferry.nowhere", **KNOWN)
    assert_equal ["clear", %w[suffix-unlisted], true],
                 [found.kind, found.findings.map(&:rule), found.rests_on_less?]
    assert_equal(
      ["fix", %w[locked suffix-unlisted]],
      judge("ferry.nowhere", **KNOWN, statuses: ["clientTransferProhibited"]).then do |v|
        [v.kind, v.findings.map(&:rule)]
      end
    )
    override =
      Core::Readiness::Override.new(suffix: "nowhere", key: "family", value: "gtld", source: {})
    told = rulebook.with([override])
    assert_equal "needed", told.family_of(domain_under("ferry.nowhere")).code
    assert_raises(Core::Readiness::Rulebook::Invalid) do
      rulebook.with(
        [Core::Readiness::Override.new(suffix: "nowhere", key: "family", value: "x", source: {})]
      )
    end
  end

  # A grace status proves its event without the event's date (RFC 3915 §3.1): reckoned from when it
  # was seen.
  def test_grace_statuses_without_their_events
    seen = ->(key, value) do
      Core::Readiness::Fact.new(key: key, value: value, source: :public_record, seen_at: NOW)
    end
    { "addPeriod" => "new-name", "transferPeriod" => "recent-move" }.each do |status, rule|
      facts = [seen.call(:statuses, [status])]
      facts << seen.call(:created_at, OLD) if status == "transferPeriod"
      judged =
        Core::Readiness::Judge.judge(
          rulebook,
          domain_under("ferry.example"),
          Core::Readiness::Facts.new(facts)
        )
      found = judged.verdict(NOW).findings.find { |f| f.rule == rule }
      assert_equal ["wait", NOW + (60 * DAY)], [found&.effect, found&.clears_at], status
      refute_equal "wait", judged.verdict(NOW + (61 * DAY)).kind
      ruled =
        Core::Readiness::Facts
          .ruled(statuses: [status], created_at: (OLD if status == "transferPeriod"))
          .values
          .compact
      bare =
        Core::Readiness::Judge.judge(
          rulebook,
          domain_under("ferry.example"),
          Core::Readiness::Facts.ruled(ruled)
        )
      assert_equal(["wait", nil], bare.verdict(NOW).then { |v| [v.kind, v.clears_at] })
    end
  end

  # A day that somebody noted is no other than an instant of it; the instant is relied on.
  def test_an_expiry_that_is_noted_by_its_day
    fact = ->(value, source) do
      Core::Readiness::Fact.new(key: :expires_at, value: value, source: source, seen_at: NOW)
    end
    same =
      Core::Readiness::Facts.new(
        [
          fact.call(utc("2028-05-01T12:00:00Z"), :public_record),
          fact.call(utc("2028-05-01T00:00:00Z"), :hand)
        ]
      )
    assert_equal [[], utc("2028-05-01T12:00:00Z")], [same.contradictions, same[:expires_at]]
    other =
      Core::Readiness::Facts.new(
        [
          fact.call(utc("2028-05-01T12:00:00Z"), :public_record),
          fact.call(utc("2028-04-30T00:00:00Z"), :hand)
        ]
      )
    assert_equal [[:expires_at], utc("2028-04-30T00:00:00Z")],
                 [other.contradictions, other[:expires_at]]
  end

  # Every “{…}” of a rule's text is filled wherever the rule hits.
  def test_no_sentence_lacks_its_number
    CASES
      .map(&:first)
      .each do |changed|
        found =
          judge(
            changed.fetch(:name, "ferry.example"),
            to: changed[:to],
            **KNOWN,
            **changed.except(:name, :to)
          )
        found.findings.each do |f|
          refute_match(/ {2}|\(\)| \.|within days/, f.because + f.remedy, f.rule)
        end
      end
  end
end
