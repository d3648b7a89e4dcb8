# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/without_connections"

# A desk without any connection: every account is by hand, and each job says how many acts at the
# desk it takes, beside those at the registrars' own pages.
class BrowserOutsideTest < Minitest::Test
  include WithoutConnections

  def test_one_name_from_paste_to_closing
    world.app.db[:names].where(name: NAME).delete
    allow_clipboard
    sign_in
    visit "/names/take-in"
    select "Millrace Registrations", from: "account"
    fill_in "text", with: NAME
    act { click_on "Add 1 name" }
    assert_text "1 added"
    visit "/names/#{NAME}/plan?to=hawser"
    assert_text "Is the destination ready?"
    assert_text "6.60 EUR"
    act { click_on "Start the move for 6.60 EUR" }
    assert_current_path(%r{\A/moves/})
    assert_text "Make ready"
    @id = world.app.moves.open.first.id
    world.runner.pass
    at("millrace", ["lock-off"], ["code"])
    visit "/by-hand"
    say_done
    until_step("order")
    at("hawser", ["card"], name: "all")
    visit "/by-hand"
    assert_text "Choose “transfer” there, never “register”"
    assert_text "Before you pay, it must show 6.60 EUR."
    axe "an order by hand"
    act { click_on "Copy the name with its code" }
    assert_text "Copied: 1 name"
    list = clipboard
    assert_equal "name;code\n#{NAME};#{world.world.registry.find(NAME)[:auth_info]}\n", list
    at("hawser", ["add", { list: list, promotion: "SPRING-27" }], ["pay"], name: "all")
    fill_in "Order number", with: "HAW-0001"
    act { click_on "It is ordered" }
    assert_no_text "Choose “transfer” there"
    confirm_at_hawser
    world.until_true(what: "pending") { state.done?("registry-pending") }
    at("millrace", ["release"])
    until_step("lock-back")
    at("hawser", ["lock-on"])
    visit "/by-hand"
    say_done
    world.until_true(what: "the end") { !world.move(@id).open }
    visit "/moves/#{@id}"
    assert_text "Settled"
    find(".stages summary", text: "Landed").click
    assert_text "On the word of"
    assert_operator @acts, :<=, 6, "acts at the desk for one name"
    assert_equal "hawser", world.world.registry.find(NAME)[:sponsor]
  end

  FLEET = (1..12).map { |n| format("fleet-%02d.example", n) }.freeze
  ZONE = <<~ZONE
    $TTL 3600
    @ IN SOA ns-one.slipway.example. hostmaster.slipway.example. 1 7200 3600 1209600 3600
    @ IN NS ns-one.slipway.example.
    @ IN NS ns-two.slipway.example.
    @ IN A 192.0.2.44
    www IN CNAME @
  ZONE
  ODD = { "fleet-03.example" => "Tide,Rope,27", "fleet-09.example" => "Quay,East,9" }.freeze

  # Twelve names at one losing registrar, two of whose codes hold the sign that stands between name
  # and code.
  def test_twelve_names_in_one_visit
    fleet_at_millrace
    allow_clipboard
    sign_in
    visit "/names/take-in"
    select "Millrace Registrations", from: "account"
    fill_in "text", with: FLEET.join("\n")
    act { click_on "Add 12 names" }
    assert_text "12 added"
    visit "/names/batch?to=withy&tray=#{FLEET.join(",")}"
    fill_in "The balance there, in EUR", with: "200"
    act { click_on "Note it" }
    act { click_on "See what it would do" }
    assert_text "12 of 12 names can start"
    find("summary", text: "How it is done").click
    uncheck "One name first, on trial"
    act { click_on "Save" }
    act { click_on "Start 12 names for 108.00 EUR" }
    assert_text "Running"
    world.runner.pass
    FLEET.each { |n| at("millrace", ["lock-off"], ["code"], name: n) }
    visit "/by-hand"
    say_done
    world.until_true(what: "the codes") do
      world.app.moves.open.all? { |m| m.state["order"].active? }
    end
    at("withy", ["profile"], ["top-up", { sum: 20_000 }], name: "all")
    visit "/by-hand"
    assert_text "Before you pay, it must show 108.00 EUR."
    act { click_on "Copy the 12 names with their codes" }
    assert_text "Not in the list, since their codes can’t stand in it: #{ODD.keys.join(", ")}"
    list = clipboard
    assert_equal 10, list.lines.size
    at("withy", ["add", { list: list }], name: "all")
    ODD.each do |name, code|
      within("li", text: name) { act { click_on "Copy its code" } }
      assert_text "Code copied"
      assert_equal code, clipboard
      at("withy", ["add-one", { name: name, code: clipboard }], name: "all")
    end
    at("withy", ["pay"], name: "all")
    fill_in "Charged, all together", with: "120"
    act { click_on "These 12 are ordered" }
    assert_text "120.00 EUR is not what was planned: 108.00 EUR"
    fill_in "Currency", with: "gbp"
    act { click_on "These 12 are ordered" }
    assert_text "120.00 GBP is not what was planned: 108.00 EUR"
    fill_in "Currency", with: "EUR"
    fill_in "Charged, all together", with: "108.00"
    act { click_on "These 12 are ordered" }
    assert_no_text "Before you pay"
    FLEET.each do |n|
      at("withy", ["code-again", { given: world.world.registry.find(n)[:auth_info] }], name: n)
    end
    world.until_true(what: "pending") do
      world.app.moves.open.all? { |m| m.state.done?("registry-pending") }
    end
    FLEET.each { |n| at("millrace", ["release"], name: n) }
    world.until_true(what: "landing") do
      world.app.moves.open.all? { |m| m.state["lock-back"].active? }
    end
    FLEET.each { |n| at("withy", ["lock-on"], name: n) }
    visit "/by-hand"
    say_done
    world.until_true(what: "the end") { world.app.moves.open_count.zero? }
    assert_operator @acts, :<=, 20, "acts at the desk for twelve names, and for two hundred"
    assert_equal ["withy"], FLEET.map { |n| world.world.registry.find(n)[:sponsor] }.uniq
  end

  def fleet_at_millrace
    host = world.world.hosts.fetch("slipway")
    like = world.world.registry.domains.where(name: NAME).first
    FLEET.each_with_index do |name, i|
      world.world.registry.domains.insert(
        like.merge(name: name, roid: "F#{i}-PRAC", auth_info: ODD[name] || "Fleet-#{i}-27")
      )
      host.save(SteadyMove::Core::Records::ZoneReader.read(ZONE, origin: name))
    end
  end
end
