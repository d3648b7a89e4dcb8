# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"

# A desk from an empty folder: everything is set on screen, nothing is begun anew, and on that same
# day a name of which both accounts are by hand goes all the way, each step proven by what was just
# set.
class BrowserFirstDayTest < Minitest::Test
  include Browser

  NAME = "isles-weather.example"
  SERVERS = %w[ns-one.slipway.example ns-two.slipway.example].freeze

  def setup
    @world = BenchWorld.new(names_at: %w[cobble])
    @folder = Dir.mktmpdir
    @desk =
      SteadyMove::Desk::App.new(
        SteadyMove::Desk::Config.new({ "data" => @folder, "watch" => false }),
        clock: world.desk.clock
      )
    runner = SteadyMove::Desk::Engine::StepRunner.new(@desk)
    people =
      SteadyMove::Desk::People::Directory.new(
        @desk,
        passwords: SteadyMove::Desk::People::Passwords.new(cost: BenchWorld::QUICK)
      )
    @driver = Practice::DeskSide::Driver.new(world.link, world.desk.clock, runner)
    serve(
      SteadyMove::Web::Application.new(
        @desk,
        runner,
        people: people,
        log: SteadyMove::Web::Log.new(File.open(File::NULL, "w"))
      )
    )
  end

  def teardown
    super
    @desk.close
    FileUtils.rm_rf(@folder)
  end

  def scenario = world.world.scenario
  def ports
    JSON.parse(File.read(File.join(world.folder, "world", "endpoints.json"))).fetch("ports")
  end
  def at(port) = "127.0.0.1:#{ports.fetch(port)}"
  def hawser = "http://#{at("http")}/counter/hawser/"
  def state = @desk.moves.find(@id).state
  def visitor = @visitor ||= Practice::DeskSide::Visitor.new(scenario)

  def until_step(step)
    60.times do
      return if state[step]&.active? || state.done?(step)

      @driver.move_on
    end
    flunk "#{step} is not reached: #{state.active.map { |s| [s.step.id, s.turn, s.says] }}"
  end

  def test_from_an_empty_folder_to_settled
    become_administrator
    set_the_places
    set_the_accounts
    take_the_name_in
    start_the_move
    write_the_letter
    order_there
    write_the_letter
    until_step("lock-back")
    visitor.act(hawser, NAME, "lock-on") if state["lock-back"].active?
    60.times { state.active.any? { |s| s.turn == "yours" } ? break : @driver.move_on }
    visit "/moves/#{@id}"
    tick_what_only_a_person_sees
    assert_text "Settled"
    assert_equal "hawser", world.world.registry.find(NAME)[:sponsor]
  end

  private

  def become_administrator
    visit "/"
    fill_in "word", with: @house.first_run.token
    fill_in "email", with: "ada@saltern-office.example"
    fill_in "password", with: "a tide table of nineteen27"
    click_on "Make me the administrator"
    assert_text "Three things lead from nothing"
  end

  # Public record, DNS, mailbox and outgoing mail.
  def set_the_places
    visit "/accounts/settings"
    all("details > summary").each(&:click)
    add("r", "example", "http://#{at("http")}/rdap/")
    SERVERS.each { |s| add("d", s, at("dns-slipway")) }
    add("d", scenario.registry["server"], at("dns-registry"))
    add("p", "example", scenario.registry["server"])
    fill(
      "m",
      host: "127.0.0.1",
      port: ports["imap"],
      login: scenario.mailbox["login"],
      pw: scenario.mailbox["password"]
    )
    find_by_id("m-tls").select("none, on this machine only")
    click_on "Read this mailbox"
    assert_text "Name of the mailbox’s own server"
    fill("o", host: "127.0.0.1", port: ports["smtp"], from: scenario.mailbox["login"])
    find_by_id("o-tls").select("none, on this machine only")
    click_on "Send by this server"
    assert_text "by 127.0.0.1"
    fill_in "ms-ids-1", with: scenario.mailbox["server"]
    click_on "Believe this server"
  end

  def add(form, name, place)
    fill_in "#{form}-name", with: name
    fill_in "#{form}-place", with: place
    find_by_id("#{form}-name").ancestor("form").click_on("Add it")
    assert_button "Take it out: #{name}"
  end

  def fill(form, **fields) = fields.each { |key, value| fill_in "#{form}-#{key}", with: value }

  def set_the_accounts
    within("nav", text: "DNS hosts") { click_on "Registrars" }
    account("Cobble and Keel") do
      find("summary", text: "How it wants things done").click
      %w[unlock code release].each do |act|
        find_by_id("w-#{act}").select("by email to its support")
      end
      find("summary", text: "Email").click
      fill_in "a-support", with: "help@cobblekeel.example"
      fill_in "a-senders", with: "cobblekeel.example"
    end
    account("Hawser Lane Names", site: hawser) do
      find("summary", text: "Email").click
      fill_in "a-senders", with: "hawserlane.example"
    end
  end

  def account(title, site: nil)
    click_on "Add a registrar account"
    fill_in "a-title", with: title
    fill_in "a-site", with: site if site
    yield if block_given?
    click_on "Save"
    assert_no_field "a-title"
    assert_button "Change it: #{title}"
  end

  def take_the_name_in
    visit "/names/take-in"
    select "Cobble and Keel", from: "account"
    fill_in "text", with: NAME
    click_on "Add 1 name"
    assert_text "1 added"
  end

  # Whose the name servers are is asked before the start; a person says so.
  def start_the_move
    visit "/names/#{NAME}/plan"
    assert_text SERVERS.join(", ")
    click_on "No"
    assert_no_button "No"
    fill_in "A transfer to it", with: "7,50"
    click_on "Note it", match: :first
    click_on "Start the move for 7.50 EUR"
    assert_current_path(%r{\A/moves/})
    assert_text "Make ready"
    @id = @desk.moves.open.first.id
    @driver.move_on
  end

  # One email for what its support is asked for, sent by the server that was set.
  def write_the_letter
    cobble = @desk.accounts.all.find { |a| a.title == "Cobble and Keel" }.id
    60.times do
      SteadyMove::Desk::Letters::LetterWriter.new(@desk).draft(cobble, by: "ada") ?
        break :
        @driver.move_on
    end
    visit "/by-hand"
    click_on "Write one email for #{NAME}"
    click_on "Send it"
    assert_text "no answer yet"
  end

  def order_there
    until_step("order")
    visitor.act(hawser, "all", "card")
    visit "/by-hand"
    assert_text "Choose “transfer” there"
    code = world.world.registry.find(NAME)[:auth_info]
    visitor.act(hawser, "all", "add", list: "name;code\n#{NAME};#{code}\n")
    assert_match(/paid/i, visitor.act(hawser, "all", "pay"))
    click_on "It is ordered"
    assert_no_text "Choose “transfer” there"
    confirm_there
  end

  # By the link in its mail and the number of which one half stands on its page; both mails are in
  # the desk's post.
  def confirm_there
    30.times { mails.size == 2 ? break : @driver.move_on }
    visitor.approve(mails.filter_map(&:link).first)
    half = visitor.read(hawser, NAME)[/first half of the number: <code>(\d+)/, 1]
    other = mails.filter_map { |m| m.text[/second half is: (\d+)/, 1] }.first
    visitor.act(hawser, NAME, "halves", given: "#{half}-#{other}")
  end

  # At the gaining side: nobody outside can see whether it is as ordered.
  def tick_what_only_a_person_sees
    10.times do
      break unless @desk.moves.find(@id).open

      page.has_button?("I have done it", wait: 1) && first(:button, "I have done it").click
      @driver.move_on
    end
  end

  def mails = @desk.messages.all.select { |m| m.subject.start_with?("Please confirm") }
end
