# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# Records carried where no host offers a connection, lived through in the practice world: everything
# by its counters and by asking; DNS alone; name servers that come by mail; TTLs lowered and put
# back.
class CarryingTest < Minitest::Test
  Desk = SteadyMove::Desk
  SHOP = "saltern-gift-shop.example"
  PLAIN = "salternferries.example"
  ADA = "ada@saltern-office.example"

  attr_reader :world

  def setup = @world = BenchWorld.new(names_at: %w[fairlead tarnbeck])
  def teardown = world.close
  def app = world.app
  def state(id) = world.move(id).state

  def by_counter(place, what, given = {}, name = SHOP)
    world.world.exclusively do
      Practice::Counters::HostDesk.of(world.world, place).do(name, what, given, world.world.now)
    end
  end

  def said(id, step) = Desk::Moves::ManualSteps.new(app).said([[id, step]], by: ADA)
  def until_done(id, step)
    world.until_true(most: 300, what: step) { state(id)[step].done? || state(id).ending }
  end
  def over(id) = world.until_true(most: 500, what: "the end") { !state(id).open? }
  def carrying = Desk::Records::ZoneMigration.new(app)
  def get(name, source, **more)
    Desk::Records::ZoneGetting.new(app).call(name, source: source, by: ADA, **more)
  end

  # The whole zone of the shop as its present host holds it: what a person copies from its page.
  def zone_file(name = SHOP)
    host = world.world.hosts.values.find { |h| h.zone(Records::Name.parse(name)) }
    Records::ZoneWriter.write(host.zone(Records::Name.parse(name)))
  end

  def enter_wanted(place, name = SHOP)
    by_counter(place, "open", { "name" => name }, "all")
    by_counter(
      place,
      "zone-file",
      { "file" => Records::ZoneWriter.write(carrying.sheet(name).wanted) },
      name
    )
  end

  def test_a_move_whose_records_go_by_hand_from_one_page_to_another
    id = world.start(SHOP, to: "orlop", host: "cleat")
    world.driver.move_on(to: app.now + 60)
    assert_equal %w[page yours], [state(id)["fetch-zone"].step.way, state(id)["fetch-zone"].turn]
    get(SHOP, "file", text: zone_file)
    until_done(id, "fetch-zone")
    assert_equal "yours", state(id)["put-zone"].turn
    said(id, "put-zone")
    world.driver.move_on(to: app.now + (3 * 3600))
    refute state(id)["put-zone"].done?, "a word proves nothing"
    carrying.choose(SHOP, by: ADA, host_id: "cleat")
    enter_wanted("cleat")
    until_done(id, "switch-ns")
    Desk::Moves::ManualSteps.new(app).new_code(id, by: ADA)
    over(id)
    assert_equal "Settled", state(id).stage
    assert_equal %w[ns-a.cleatzones.example ns-b.cleatzones.example],
                 world.world.registry.find(SHOP)[:name_servers].sort
  end

  # Copies that a destination makes by guessing names miss some; what is missing is said, and holds
  # up the switch.
  def test_what_a_destination_copied_is_compared
    get(SHOP, "file", text: zone_file)
    by_counter("cleat", "open", { "name" => SHOP }, "all")
    id = world.start(SHOP, to: "orlop", host: "cleat", choice: "copy")
    by_counter("cleat", "copy")
    until_done(id, "fetch-zone")
    said(id, "put-zone")
    world.driver.move_on(to: app.now + 7200)
    assert_match(
      /not answered as wanted yet: 4 of 8 record sets/,
      state(id).last_of("put-zone").says
    )
    refute state(id)["switch-ns"].active?
    carrying.choose(SHOP, by: ADA, host_id: "cleat")
    enter_wanted("cleat")
    until_done(id, "put-zone")
    Desk::Moves::ManualSteps.new(app).new_code(id, by: ADA)
    over(id)
    assert_equal "Settled", state(id).stage
  end

  # The DNS moves alone; TTLs are lowered first, waited for, and put back at the new host.
  def test_dns_alone_with_lowered_ttls
    greatest = get(PLAIN, "transfer").zone.greatest_ttl
    id = Desk::Planning::DnsAlone.new(app).start(PLAIN, host: "lanternroom", by: ADA, lower: true)
    assert_empty state(id).steps.map { |s| s.step.id } & %w[order unlock landed check-landed]
    until_done(id, "switch-ns")
    lowered = state(id)["lower-ttls"].done_at
    assert_operator state(id)["ttls-lowered"].done_at - lowered, :>=, greatest
    over(id)
    assert_equal "Settled", state(id).stage
    after =
      app.dns.transfer(
        "ns1.lanternroom.example",
        PLAIN,
        key: Desk::Common::Zones.key(app.accounts.host_of("lanternroom"))
      )
    assert_equal greatest, after.content.map(&:ttl).max, "the long TTLs are back"
    assert_equal "tarnbeck", world.world.registry.find(PLAIN)[:sponsor]
    left = Desk::Closing::LeftBehind.new(app)
    assert_equal(%w[zone], left.items(world.move(id)).map(&:key), "the old zone is still there")
    left.settle(id, "zone", state: "cancelled", by: ADA)
    assert_equal 0, left.count(world.move(id))
  end

  # Its name servers are known only from the mail that comes after sign-up.
  def test_name_servers_that_come_by_mail
    get(SHOP, "file", text: zone_file)
    id = world.start(SHOP, to: "withy", choice: "later", aims: nil)
    until_done(id, "fetch-zone")
    assert_equal "yours", state(id)["servers-known"].turn
    world.world.exclusively { world.world.shop("withy").open_dns(SHOP, at: world.world.now) }
    world.driver.move_on(to: app.now + 900)
    told = Desk::Planning::PendingHost.in_mail(app, "later-withy")
    assert_equal %w[ns1.withypoint.example ns2.withypoint.example], told
    Desk::Planning::PendingHost.told(app, "later-withy", told, by: ADA)
    until_done(id, "servers-known")
    by_counter(
      "withy-dns",
      "zone-file",
      { "file" => Records::ZoneWriter.write(carrying.sheet(SHOP).wanted) }
    )
    said(id, "put-zone")
    until_done(id, "switch-ns")
    assert_equal told, world.world.registry.find(SHOP)[:name_servers].sort
  end

  # The order brings them: nothing waits for them before it, and they are set where the name landed.
  def test_name_servers_that_come_with_the_order
    app.accounts.keep_habits(app.accounts.find("orlop"), "gives_servers" => true)
    get(SHOP, "file", text: zone_file)
    id = world.start(SHOP, to: "orlop", choice: "later", aims: nil)
    Desk::Moves::ManualSteps.new(app).new_code(id, by: ADA)
    short = Desk::Planning::InShort.new(app).uptime(world.move(id).plan)
    assert_equal ["no", "go down", "Site and mail go down until the name servers are switched"],
                 [short.stays.to_s, short.word, short.says]
    until_done(id, "landed")
    refute state(id)["put-zone"].done?
    told = %w[ns-a.cleatzones.example ns-b.cleatzones.example]
    Desk::Planning::PendingHost.told(app, "later-orlop", told, by: ADA)
    enter_wanted("cleat")
    over(id)
    assert_equal "Settled", state(id).stage
    assert_equal told, world.world.registry.find(SHOP)[:name_servers].sort
    assert_operator state(id)["switch-ns-after"].done_at, :>, state(id)["landed"].done_at
  end

  def test_two_hundred_at_once_keep_none_back
    names = app.names.all.map { |n| n[:name] } + ["nobody.example"]
    fates = Desk::Planning::DnsAlone.new(app).start_all(names, host: "lanternroom", by: ADA)
    assert_equal names.size, fates.size
    assert_match(/not on the list/, fates.last.why)
    assert_operator fates.count(&:id), :>=, 4
    assert_raises(Desk::Refused) do
      Desk::Planning::DnsAlone.new(app).start_all(
        Array.new(201) { |i| "n#{i}.example" },
        host: "cleat",
        by: ADA
      )
    end
  end

  # What each server answered, over time.
  def test_servers_are_asked_before_and_after
    get(PLAIN, "transfer")
    carrying.choose(PLAIN, by: ADA, host_id: "lanternroom")
    check = Desk::Records::LiveCheck.new(app)
    states = -> { check.call(PLAIN).map { |s| [s.role, s.state] }.uniq }
    assert_equal [%w[old both], %w[new refused], %w[parent old]], states.call
    id = Desk::Planning::DnsAlone.new(app).start(PLAIN, host: "lanternroom", by: ADA)
    until_done(id, "ns-shown")
    assert_equal [%w[old both], %w[new both], %w[parent new]], states.call
    world.link.fault("silent-lanternroom", "on")
    assert_includes states.call, %w[new silent]
    stretches =
      app.zone_migrations.answers(PLAIN).group_by(&:server)["ns1.lanternroom.example"].map(&:state)
    assert_equal %w[refused both silent], stretches
  end
end
