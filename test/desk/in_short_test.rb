# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# The answers at the head of a name and a move: what they say, and that showing them asks nobody
# outside.
class InShortTest < Minitest::Test
  def setup = @world = BenchWorld.new
  def teardown = @world.close
  def app = @world.app
  def short = SteadyMove::Desk::Planning::InShort.new(app)
  def judged(name) = SteadyMove::Desk::Portfolio::Judging.new(app).one(name)

  # name => do site and mail stay up; the zone of the second ends with its account, and nobody chose
  # a host for it
  UPTIME = {
    "harbourpass.example" => /stay up: the name servers stay/,
    "saltern-isles.example" => /go down unless the records are carried/
  }.freeze

  def test_a_name_is_answered_without_asking_anybody_outside
    outside =
      Object.new.tap do |o|
        o.define_singleton_method(:method_missing) { |m, *| raise "asks outside: #{m}" }
      end
    app.stub(:dns, outside) do
      UPTIME.each do |name, says|
        ahead = short.ahead(judged(name))
        assert_match says, ahead.uptime.to_s
        assert_equal name.start_with?("saltern") ? 0 : 3,
                     ahead.finish.size,
                     "no host is chosen by itself"
        assert_equal judged(name).facts[:expires_at].year + 1, ahead.expected_expiry.year
      end
    end
    app.zone_migrations.put("saltern-isles.example", by: "ada", at: app.now, host_id: "lanternroom")
    assert_match(
      /records are copied to Lanternroom DNS/,
      short.ahead(judged("saltern-isles.example")).uptime.to_s
    )
    assert_nil short.ahead(judged("harbourpass.example"), to: "tarnbeck"), "it is there already"
  end

  def test_what_would_go_down_or_is_not_known_is_said
    kept = @world.plan("saltern-isles.example", to: "orlop").plan
    assert_match(/go down unless the records are carried/, short.uptime(kept).to_s)
    unseen = kept.with(name_servers: [])
    assert_match(/Not known whether/, short.uptime(unseen).to_s)
  end

  def test_what_came_of_a_move
    id = @world.start("isles-timetable.example", to: "orlop")
    assert_nil short.result(@world.move(id))
    @world.orders.call_off(id, by: "ada")
    @world.until_true { !@world.move(id).open }
    assert_match(
      /\ACancelled <.*>; isles-timetable\.example stays at Tarnbeck Names\z/,
      short.result(@world.move(id))
    )
  end
end
