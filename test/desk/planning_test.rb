# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"

# Which steps a plan gets, and how they are done, follow from the account's habits, the suffix's
# family and what is known of the name.
class PlanningTest < Minitest::Test
  include ByHand

  Channels = Core::Moves::Channels

  def plan(name, **more) = world.plan(name, to: "orlop", **more).plan

  # name => options of its plan
  OPTIONS = {
    "isles-timetable.example" => %i[lock code keep_zone lock_back],
    "saltern-isles.example" => %i[lock code keep_zone lock_back],
    "northskerry-freight.example" => %i[lock code ask contact keep_zone lock_back],
    "northskerry-crew.example" => %i[
      lock
      code
      ask
      privacy
      contact
      keep_zone
      lock_back
      privacy_back
    ],
    "kelp-sound-hire.example" => %i[
      lock
      code
      ask
      privacy
      identity
      contact
      keep_zone
      lock_back
      privacy_back
    ],
    "slipway.example" => %i[lock code ask contact keep_zone lock_back],
    "seal-bay-trips.isl.test" => %i[privacy identity contact keep_zone privacy_back],
    "saltern-harbour.example" => %i[lock code ask one_letter keep_zone lock_back],
    "skerry-lighthouse-walks.example" => %i[lock code keep_zone lock_back]
  }.freeze

  def test_the_steps_follow_from_habits_and_suffix
    live_with(*%w[tarnbeck gannet millrace cobble fairlead])
    OPTIONS.each { |name, options| assert_equal options, plan(name).options, name }
    assert_includes plan("saltern-isles.example", host: "lanternroom").options, :carry
  end

  # name, act => way
  WAYS = [
    %w[isles-timetable.example unlock connection],
    %w[isles-timetable.example release connection],
    %w[northskerry-crew.example unlock connection],
    %w[northskerry-crew.example code mail],
    %w[northskerry-crew.example privacy page],
    %w[kelp-sound-hire.example privacy service],
    %w[kelp-sound-hire.example privacy_back page],
    %w[kelp-sound-hire.example proof connection],
    %w[saltern-harbour.example unlock letter],
    %w[saltern-harbour.example release letter],
    %w[seal-bay-trips.isl.test release link],
    %w[seal-bay-trips.isl.test silence lapses]
  ].freeze

  def test_how_each_act_is_done
    live_with(*%w[tarnbeck gannet millrace cobble fairlead])
    WAYS.each { |name, act, way| assert_equal way, plan(name).way(act), [name, act].inspect }
    world.app.instance_variable_set(:@sender, nil)
    assert_equal "page",
                 plan("kelp-sound-hire.example").way("proof"),
                 "without a mail server a person sends the word"
  end

  # name => [the keeper of its privacy, seconds that its code takes]
  WORDS = {
    "kelp-sound-hire.example" => ["Curlew Screen", [60, 900, 3600]],
    "northskerry-crew.example" => ["Gannet Street Names", [60, 600, 3600]],
    "saltern-harbour.example" => ["Cobble and Keel", [3600, 86_400, 259_200]],
    "isles-timetable.example" => ["Tarnbeck Names", nil]
  }.freeze

  def test_the_words_and_the_time_it_takes
    live_with(*%w[tarnbeck gannet millrace cobble])
    WORDS.each do |name, expected|
      found = plan(name)
      words = SteadyMove::Desk::Common::MoveWords.values(found, world.app.accounts)
      assert_equal expected, [words[:keeper], found.code_takes], name
      asked = found.steps.find { |s| s.id == "ask-code" }
      assert_equal [expected.last], [asked&.takes], name
    end
  end

  # What was planned is kept and read back the same, also a plan of before there were ways.
  def test_a_plan_is_kept_with_its_ways
    live_with("millrace")
    id = start("kelp-sound-hire.example")
    kept = SteadyMove::Store::Moves.new(world.app.db, world.app.journal).find(id).plan
    assert_equal world.move(id).plan.to_h, kept.to_h
    assert_equal [], Channels::ALLOWED.keys - kept.ways.keys
    old =
      Core::Moves::Plans.read(
        {
          "name" => "a.example",
          "from" => "a",
          "to" => "b",
          "options" => %w[lock code],
          "years" => 1,
          "words" => {
          },
          "settle_seconds" => 0,
          "response_days" => 5
        }
      )
    refute(old.steps.any?(&:by_hand?), "a plan of before there were ways is all by connection")
    titles = world.app.accounts.all.map(&:title)
    titles.each do |t|
      refute_includes world.app.db[:moves].get(:plan), t, "a plan keeps ids, never titles"
    end
  end

  # Where there is no connection, a person orders; what is not there can't be planned to.
  def test_orders_go_by_connection_or_by_hand
    live_with("tarnbeck")
    { "orlop" => "connection", "millrace" => "page", "cobble" => "page" }.each do |to, way|
      assert_equal way,
                   world.plan("isles-timetable.example", to: to).plan.with_trait(:orders).way,
                   to
    end
    assert_nil world.plan("isles-timetable.example", to: "nowhere")
    assert_nil world.plan("nobody.example", to: "orlop")
  end

  # A suffix that the rulebook does not know: common practice, and no word is said for its registry.
  def test_a_suffix_without_a_family
    live_with("tarnbeck")
    app = world.app
    app.names.put(domain("ferry.nowhere"), "tarnbeck", at: app.now)
    { 44 => true, 46 => false }.each do |days, grace|
      renewed = (app.now - (days * 86_400)).then { |t| Time.utc(t.year + 1, t.month, t.day) }
      known = { expires_at: renewed, statuses: %w[autoRenewPeriod] }
      app.names.learn("ferry.nowhere", facts(source: :hand, **known))
      proposal = world.plan("ferry.nowhere", to: "orlop", host: "lanternroom")
      refute_predicate proposal, :startable?
      assert_equal [5, 10], [proposal.plan.response_days, proposal.plan.max_years]
      assert_equal grace, proposal.plan.in_grace == true, "#{days} days after"
      assert_empty %i[lock code] - proposal.plan.options
    end
  end

  ISLES = "saltern-isles.example"
  # Present host and copy => [how the zone is had, is it known, part of what is said where not].
  SURVEYS = {
    %i[answers none] => ["connection", true, nil],
    %i[silent none] => ["connection", false, "could not be fetched"],
    %i[silent copy] => ["page", true, nil],
    %i[by_hand none] => ["page", false, "Tarnbeck name servers"],
    %i[by_hand copy] => ["page", true, nil],
    %i[unknown none] => ["page", false, "Nobody is known"]
  }.freeze

  def test_how_a_zone_is_had
    live_with("tarnbeck")
    app = world.app
    surveyed = -> { world.plan(ISLES, to: "orlop", host: "lanternroom").zone }
    host = app.accounts.host_serving(app.names.facts(ISLES)[:name_servers])
    text = "$TTL 600\n@ SOA a b 1 2 3 4 5\n@ NS ns1.tarnbeck-dns.example.\n@ A 192.0.2.7\n"
    getting = SteadyMove::Desk::Records::ZoneGetting.new(app)
    silent = ->(*, **) { raise SteadyMove::Wire::Unreachable, "no answer" }
    SURVEYS.each do |(present, copy), wanted|
      app.db[:zone_copies].delete
      getting.call(ISLES, source: "file", text: text, by: ADA) if copy == :copy
      change(host, present)
      found = present == :silent ? app.dns.stub(:transfer, silent) { surveyed.call } : surveyed.call
      row = [present, copy, found.problem.to_s]
      assert_equal wanted.first(2), [found.by, !found.sets.nil?], row
      assert_includes SteadyMove::Words.text(found.problem || ""), wanted.last.to_s, row
    end
  end

  def change(host, present)
    accounts = world.app.accounts
    return accounts.put_host(host) if %i[answers silent].include?(present)

    servers = present == :unknown ? [] : host.name_servers
    mute = { key_name: nil, secret: nil, name_servers: servers }
    accounts.put_host(host.dup.tap { |h| mute.each { |key, value| h[key] = value } })
  end

  # As it would be if it began now: nothing has come yet, and the copy's TTLs are reckoned with.
  def test_a_handover_that_has_not_begun
    live_with("tarnbeck")
    app = world.app
    handover = -> { SteadyMove::Desk::Planning::HandoverOf.new(app).call(ISLES) }
    assert_nil handover.call, "nothing is known of the zone"
    SteadyMove::Desk::Records::ZoneGetting.new(app).call(ISLES, source: "transfer", by: ADA)
    plain = handover.call
    app.zone_migrations.put(ISLES, by: ADA, at: app.now, host_id: "lanternroom", lowered: 300)
    lowered = handover.call
    assert_equal([false], [plain, lowered].flat_map(&:instants).map { |i| i.seen == true }.uniq)
    assert_equal %w[lower_at rely_at], lowered.instants.map(&:id) - plain.instants.map(&:id)
    assert_operator lowered.instants.last.at, :>, plain.instants.last.at
  end

  # What is not known is said once in a plan: by its refusal, or with all that is found out the same
  # way.
  def test_what_is_not_known_is_said_once
    live_with("millrace", "gannet")
    world.app.names.all.each do |row|
      found = world.plan(row[:name], to: "orlop") or next
      verdict =
        SteadyMove::Desk::Portfolio::Judging.new(world.app).one(row[:name], to: "orlop").verdict
      says = (found.refusals + found.cautions).join("\n")
      verdict
        .unknown
        .map(&:find_out)
        .uniq
        .each { |remedy| assert_equal 1, says.scan(remedy).size, "#{row[:name]}: #{remedy}" }
    end
  end

  # A move that leaves the name servers as they are hands nothing over: no instant is invented.
  def test_a_move_that_carries_nothing_has_no_handover
    live_with("tarnbeck")
    app = world.app
    name = "isles-timetable.example"
    SteadyMove::Desk::Records::ZoneGetting.new(app).call(name, source: "transfer", by: ADA)
    assert SteadyMove::Desk::Planning::HandoverOf.new(app).call(name), "as it would be"
    world.start(name, to: "orlop")
    refute_predicate app.moves.open_for(name).plan, :carry?
    assert_nil SteadyMove::Desk::Planning::HandoverOf.new(app).call(name)
    assert SteadyMove::Desk::Records::ZoneMigration.new(app).left_alone?(name)
    refute SteadyMove::Desk::Records::ZoneMigration.new(app).left_alone?(ISLES)
  end
end
