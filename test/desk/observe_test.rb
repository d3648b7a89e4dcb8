# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# What a look learns from the account, the public record and the DNS hosts, and what follows from
# it.
class ObserveTest < Minitest::Test
  NAME = "isles-timetable.example"
  DAY = 86_400

  def setup
    @world = BenchWorld.new(names_at: %w[tarnbeck gannet])
    @app = @world.app
    @rows = @world.world.instance_variable_get(:@db)
  end

  def teardown = @world.close

  def look(name = NAME)
    row = @app.names.find(name)
    SteadyMove::Desk::Portfolio::Observe.new(@app).name(
      Core::Names::DomainName.held(name),
      @app.accounts.find(row[:account_id])
    )
  end

  def known(name = NAME) = @app.names.facts(name)
  def now = @app.now
  def days(count) = (now + (count * DAY)).to_i

  # when the contact was made and changed, when the name was made and moved (days from now) => when
  # the registrant was last changed
  CHANGES = [
    [-900, nil, -400, nil, -900],
    [-900, -30, -400, nil, -30],
    [-900, -300, -400, nil, -300],
    [-20, nil, -400, nil, -20],
    [-20, -5, -400, nil, -5],
    [-400, nil, -400, nil, -400],
    [-90, nil, -400, -90, -90],
    [-90, -10, -400, -90, -10],
    [-20, nil, -400, -90, -20]
  ].freeze

  def test_when_the_registrant_was_last_changed
    CHANGES.each do |made, changed, created, moved, expected|
      @rows[:contacts].where(id: "saltern-1").update(
        created_at: days(made),
        updated_at: changed && days(changed)
      )
      @rows[:domains].where(name: NAME).update(
        created_at: days(created),
        transferred_at: moved && days(moved)
      )
      look
      assert_equal days(expected),
                   known[:registrant_changed_at].to_i,
                   [made, changed, created, moved].inspect
    end
  end

  # The gaining side's own object for the same holder is no change of the registrant.
  def test_a_contact_that_came_with_the_move_is_no_change
    @rows[:contacts].where(id: "saltern-1").update(created_at: days(-90) + 60, updated_at: nil)
    @rows[:domains].where(name: NAME).update(created_at: days(-400), transferred_at: days(-90))
    look
    verdict = SteadyMove::Desk::Portfolio::Judging.new(@app).one(NAME, at: now - (60 * DAY))
    if verdict.facts[:registrant_changed_at] < now - (120 * DAY)
      refute_includes verdict.verdict.findings.map(&:rule), "registrant-change"
    end
    assert_operator known[:registrant_changed_at], :<=, now - (89 * DAY)
  end

  def test_privacy_is_known_by_its_mail_domain
    assert_equal "screen.gannetstreet.example", known("northskerry-crew.example")[:privacy]
    refute known("northskerry-freight.example")[:privacy]
    assert known(NAME).known?(:privacy)
    refute known(NAME)[:privacy], "the public record shows the very address that the account has"
    @rows[:contacts].where(id: "saltern-1").update(email: "other@saltern-office.example")
    @world.app.accounts.all # the account's own word differs now from what the public record shows
    @rows[:domains].where(name: NAME).update(veil: "somebody@elsewhere.example")
    look
    refute known.known?(:privacy), "Tarnbeck's service is not known"
    assert_equal ["names@saltern-office.example"],
                 %i[registrant_email public_email]
                   .map { |k| known("northskerry-freight.example")[k] }
                   .uniq
  end

  def test_a_name_that_the_public_record_lost
    @world.link.fault("rdap-unknown", NAME)
    look
    assert_equal [true, false], known.about(:registered).map(&:value).sort_by(&:to_s).reverse
    assert_equal [:registered], known.contradictions & [:registered]
  end

  def test_the_deadline_of_a_transfer_under_way
    assert_equal now + (5 * DAY), known("gullrock-landing.example")[:transfer_ends_at]
    judged = SteadyMove::Desk::Portfolio::Judging.new(@app).one("gullrock-landing.example")
    assert_equal ["barred", now + (5 * DAY)],
                 [judged.verdict.kind, judged.verdict.findings.first.clears_at]
  end

  # Who answers, and who doesn't: what was known stays, and a sentence says why.
  TROUBLE = [
    [{}, %i[account desk public_record], 0],
    [{ "rdap-away" => "on" }, %i[account desk], 1],
    [{ "away-tarnbeck" => "on" }, %i[desk public_record], 1],
    [{ "rdap-garbage" => "on", "away-tarnbeck" => "on" }, [], 2]
  ].freeze

  def test_a_look_never_fails_and_never_forgets
    before = known.values
    TROUBLE.each do |faults, sources, problems|
      faults.each { |id, detail| @world.link.fault(id, detail) }
      seen = look
      assert_equal [sources, problems], [seen.sources.sort, seen.problems.size], faults
      assert(
        seen.problems.all? do |p|
          p.end_with?(".") && p.match?(/\A(Tarnbeck Names|The public record): /)
        end
      )
      assert_empty (before.keys - [:privacy]) - known.values.keys, faults.inspect
      faults.each_key { |id| @world.link.fault(id, nil) }
    end
  end

  # A contact that the account won't show is not known anew; it was known before, and so were the
  # deadline of a transfer and the signatures.
  def test_what_is_refused_takes_nothing_away
    @rows[:contacts].where(id: "saltern-1").update(updated_at: days(-5))
    look
    wait = SteadyMove::Desk::Portfolio::Judging.new(@app).one(NAME).verdict
    before = known.values.slice(*CONTACT)
    [2201, 2303, 2400].each do |code|
      @world.link.fault("answer-tarnbeck-contact-info", code.to_s)
      seen = look
      assert_equal before, known.values.slice(*CONTACT), code
      assert_match(/Tarnbeck Names does not show the contact saltern-1/, seen.problems.join)
      verdict = SteadyMove::Desk::Portfolio::Judging.new(@app).one(NAME).verdict
      assert_equal %w[wait wait], [wait.kind, verdict.kind], code
      @world.link.fault("answer-tarnbeck-contact-info", nil)
    end
  end

  CONTACT = %i[
    registrant_email
    registrant_changed_at
    registrant_contact
    admin_contact
    admin_email
  ].freeze

  def test_the_deadline_stays_where_the_transfer_is_not_told
    name = "gullrock-landing.example"
    before = known(name)[:transfer_ends_at]
    @world.link.fault("answer-gannet-domain-transfer", "2400")
    @world.link.fault("answer-tarnbeck-domain-transfer", "2400")
    look(name)
    assert_equal before, known(name)[:transfer_ends_at]
  end

  def test_the_dns_host_and_what_ends_with_the_account
    assert_equal ["Lanternroom DNS", false], [known[:dns_host], known[:zone_ends_with_account]]
    assert_equal(
      ["Tarnbeck name servers"] * 2,
      known("saltern-careers.example").then { |k| [k[:dns_host], k[:zone_ends_with_account]] }
    )
    @rows[:domains].where(name: NAME).update(
      name_servers: '["ns1.lanternroom.example","ns.unheard.example"]'
    )
    look
    refute known.known?(:dns_host), "half a host is no host"
    assert_includes SteadyMove::Desk::Portfolio::Judging
                      .new(@app)
                      .one(NAME)
                      .verdict
                      .unknown
                      .map(&:rule),
                    "dns-leaves"
  end
end
