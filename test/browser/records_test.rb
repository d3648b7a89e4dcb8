# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# Records carried in the browser, from a host and to a host that offer pages alone: the present zone
# probed and copied as a table, the choice, the carry sheet ticked off by itself, a decision, a
# service tied to the old account, the handover, the servers over time; the DNS of several names
# moved at once.
class BrowserRecordsTest < Minitest::Test
  include Browser

  SHOP = "saltern-gift-shop.example"

  def new_world = BenchWorld.new(names_at: %w[fairlead tarnbeck])
  def visitor = @visitor ||= Practice::DeskSide::Visitor.new(world.world.scenario)
  def page_of(host) = app_host(host).habits["site"]
  def app_host(host) = world.app.accounts.host_of(host)

  # What a person copies from the present host's table.
  def table
    cells = visitor.read(page_of("fairlead-dns"), SHOP).scan(%r{<t[dh]>(.*?)</t[dh]>}m).flatten
    cells.map { |c| CGI.unescapeHTML(c) }.each_slice(4).map { |row| row.join("\t") }.join("\n")
  end

  def test_from_a_table_to_as_wanted
    sign_in
    visit "/records"
    assert_text "No name’s records are in work"
    fill_in "A name that you hold", with: SHOP
    click_on "Open its records"
    assert_text "Its zone ends with the registration."
    click_on "Ask for a zone transfer"
    assert_text "refused the zone transfer"
    click_on "Probe usual names"
    assert_text "At least 5 record sets"
    click_on "Give a file or a table"
    select "Table copied from the host’s page", from: "What you give"
    fill_in "Zone file or table", with: table
    click_on "Take it"
    assert_text "At least 8 record sets, as the page showed them"
    click_on "Where they go"
    click_on "Choose this: Carry the records first, then move"
    assert_text "Chosen"
    select "Cleat Zone House", from: "The new DNS host"
    click_on "Carry sheet"
    assert_text "Cleat Zone House was not asked yet"
    click_on "Ask every server now"
    assert_text "Eight of eight record sets were not seen at Cleat Zone House as wanted"
    assert_text "Mail to #{SHOP} would be refused or go astray"
    assert_text "8 not there yet as wanted"
    axe "a carry sheet"

    decide_on_the_spot
    visitor.act(page_of("cleat"), "all", "open", name: SHOP)
    get = "/api/records/#{SHOP}/file?side=wanted"
    text = page.evaluate_async_script("fetch('#{get}').then((r) => r.text()).then(arguments[0])")
    refute_match(/gift-cards/, text)
    visitor.act(page_of("cleat"), SHOP, "zone-file", file: text)
    click_on "Carry sheet"
    click_on "Ask every server now"
    assert_text "0 not there yet as wanted"
    click_on "Name servers"
    assert_text "as wanted, like the old zone", wait: 5
    narrow
  end

  # A set left out with its reason; a service given up knowingly.
  def decide_on_the_spot
    click_on "Decide: gift-cards.#{SHOP}. CNAME"
    choose "Leave it out"
    fill_in "Why", with: "sold out"
    click_on "Save this decision"
    assert_text "left out: sold out"
    click_on "Tied to the old account"
    within(find("li", text: "pages.fairlead-dns.example")) { click_on "Give it up" }
    fill_in "Why it may go", with: "the shop has a site of its own"
    click_on "Save this"
    assert_text "given up: the shop has a site of its own"
    click_on "Handover"
    assert_text "The old host may go"
    assert_text "Set the old name servers again"
  end

  def narrow
    size(390, 844)
    ["/records", "/records/#{SHOP}"].each do |path|
      visit path
      assert_text "Records"
      assert_text SHOP
      assert_operator page.evaluate_script("document.documentElement.scrollWidth"), :<=, 390, path
    end
  ensure
    size(1280, 800)
  end

  def test_the_dns_of_several_names_at_once
    all = world.app.names.all.map { |n| n[:name] }
    names = all.select { |n| world.app.names.facts(n)[:dns_host] == "Tarnbeck name servers" }
    assert_operator names.size, :>, 2
    sign_in
    visit "/records?tray=#{names.join(",")}"
    select "Lanternroom DNS", from: "To the DNS host"
    click_on "Move the DNS of these #{names.size} names"
    assert_text "under way"
    assert_operator world.app.moves.open_count, :>, 1
    assert_equal names.size, world.app.moves.open_count + all("section li", wait: 1).size
    axe "several names' DNS"
  end

  # The records alone: seen before anything begins, started, and cancelled in its own words.
  def test_a_handover_is_planned_started_and_cancelled
    sign_in
    visit "/records/salternferries.example?part=choices"
    click_on "Choose this: Move the DNS alone"
    select "Lanternroom DNS", from: "The new DNS host"
    click_on "Plan the handover"
    assert_text "can go from Tarnbeck name servers to Lanternroom DNS"
    assert_text "The registration stays at Tarnbeck Names; nothing is ordered and nothing is paid."
    assert_text "servers switched"
    assert_equal 0, world.app.moves.open_count
    axe "a handover's plan"
    click_on "Start the handover"
    assert_text "Handover of name servers and records"
    assert_text "Name servers: Tarnbeck name servers → Lanternroom DNS"
    click_on "Cancel the handover"
    assert_text "the registration is not touched. Cancel the handover?"
    click_on "Cancel it"
    assert_text "Cancelled", wait: 20
  end

  private :decide_on_the_spot, :narrow
end
