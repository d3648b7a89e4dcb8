# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/outside"

# Name servers that come with an order which has to be confirmed: the records are carried and the
# servers switched between the two, while the name is still at the losing side.
class LateServersTest < Minitest::Test
  include Outside

  Desk = SteadyMove::Desk
  Records = Core::Records

  def ordered_at_withy
    live_with("millrace")
    withy = world.app.accounts.find("withy")
    world.app.accounts.keep_habits(withy, "gives_servers" => true)
    Desk::Records::ZoneGetting.new(world.app).best(NAME, by: ADA)
    id = start_to(NAME, "withy", choice: "later")
    do_it(id, "unlock", "lock-off")
    until_step(id, "ask-code")
    do_it(id, "ask-code", "code")
    until_step(id, "order")
    [["profile", {}], ["top-up", { sum: 20_000 }]].each do |what, given|
      visitor.act(site("withy"), "all", what, **given)
    end
    order(id, at: "withy")
    id
  end

  def test_the_servers_are_switched_before_the_order_is_confirmed
    id = ordered_at_withy
    until_step(id, "servers-known")
    refute_predicate state(id)["confirm-code"], :active?
    told = told_by_mail
    until_step(id, "put-zone")
    zone = Records::ZoneWriter.write(Desk::Records::ZoneMigration.new(world.app).sheet(NAME).wanted)
    at_the_new_host("zone-file", "file" => zone)
    say(id, "put-zone")
    until_step(id, "switch-ns")
    do_it(id, "switch-ns", "name-servers", servers: told.join(" "))
    world.until_true { state(id).done?("ns-settled") }
    assert_equal ["millrace", told], row(NAME).values_at(:sponsor, :name_servers)
    until_step(id, "confirm-code")
    visitor.act(site("withy"), NAME, "code-again", given: row(NAME)[:auth_info])
    say(id, "confirm-code")
    world.until_true(most: 200) { state(id).landed? }
    assert_equal ["withy", told], row(NAME).values_at(:sponsor, :name_servers)
  end

  def told_by_mail
    world.world.exclusively { world.world.shop("withy").open_dns(NAME, at: world.world.now) }
    world.driver.move_on(to: world.app.now + 900)
    told = Desk::Planning::PendingHost.in_mail(world.app, "later-withy")
    Desk::Planning::PendingHost.told(world.app, "later-withy", told, by: ADA)
    world.runner.pass
    told
  end

  def at_the_new_host(what, given)
    world.world.exclusively do
      host = Practice::Counters::HostDesk.of(world.world, "withy-dns")
      host.do(NAME, what, given, world.world.now)
    end
  end
end
