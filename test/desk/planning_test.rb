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
    "saltern-harbour.example" => %i[lock code ask keep_zone lock_back],
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
end
