# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/browser"
require_relative "../support/list_server"

# An empty desk on its first day: from nothing to the first judged name.
class BrowserBeginTest < Minitest::Test
  include Browser
  include ByKeyboard

  # A practice world for its public record; beside it a desk that knows nothing.
  def setup
    @world = BenchWorld.new
    record = world.app.settings.places.rdap_bases.fetch("example")
    @list = ListServer.new(JSON.generate(version: "1.0", services: [[["example"], [record]]]))
    @folder = Dir.mktmpdir
    config = SteadyMove::Desk::Config.new({ "data" => @folder })
    @desk = SteadyMove::Desk::App.new(config, clock: world.app.clock)
    runner = SteadyMove::Desk::Engine::StepRunner.new(@desk)
    people =
      SteadyMove::Desk::People::Directory.new(
        @desk,
        passwords: SteadyMove::Desk::People::Passwords.new(cost: BenchWorld::QUICK)
      )
    @house =
      SteadyMove::Web::Application.new(
        @desk,
        runner,
        people: people,
        log: SteadyMove::Web::Log.new(File.open(File::NULL, "w"))
      )
    serve(@house)
  end

  def teardown
    super
    @list.stop
    @desk.close
    FileUtils.rm_rf(@folder)
  end

  # A table says itself who holds what: nobody is asked, and nothing that was typed is lost.
  def test_a_table_on_the_first_day
    first_administrator
    fill_in "The registrar, as you call it", with: "Old Pier"
    fill_in "Where they shall move to", with: "The new one"
    fill_in "The names that it holds, one or many", with: <<~CSV
      Domain;Registrar;Renewal date
      shop.club;Old Pier;13/02/2028
      ferry.club;Moor Host;01/03/2028
    CSV
    click_on "Add 2 names"
    assert_text "2 added"
    assert_equal ["Moor Host", "Old Pier", "The new one"], @desk.accounts.all.map(&:title).sort
    assert_equal Time.utc(2028, 3, 1), @desk.names.told("ferry.club", :hand)[:expires_at]
    click_on "See the move of shop.club to The new one"
    assert_text "Plan the move of shop.club"
  end

  def test_six_acts_at_most
    acts = 1
    first_administrator
    fill_in "Its address, as RFC 9224 §3 has it", with: @list.url
    acts += 1
    click_on "Find public records by themselves"
    assert_text "The list of public record services is fetched from"
    SteadyMove::Desk::Accounts::Bootstrap.new(@desk).then { |b| b.fetch if b.due? }
    fill_in "The registrar, as you call it", with: "My old registrar"
    fill_in "Where they shall move to", with: "The new one"
    fill_in "The names that it holds, one or many",
            with: "https://www.harbourpass.example/plan, nobody.example"
    acts += 1
    click_on "Add 2 names"
    assert_text "nobody.example: The public record knows no such name"
    assert_text "The public record calls the registrar of these names “Tarnbeck Names”."
    acts += 1
    click_on "That is My old registrar"
    assert_no_text "The public record calls the registrar"
    acts += 1
    click_on "See the move of harbourpass.example to The new one"
    assert_text "Plan the move of harbourpass.example"
    assert_select "To the account", selected: "The new one"
    assert_operator acts, :<=, 6
    refute @desk.names.facts("harbourpass.example")[:other_registrar]
  end

  private

  def first_administrator
    visit "/"
    fill_in "word", with: @house.first_run.token
    fill_in "email", with: "ada@tide.example"
    fill_in "password", with: "a tide table of nineteen27"
    click_on "Make me the administrator"
    assert_text "Three things lead from nothing"
  end
end
