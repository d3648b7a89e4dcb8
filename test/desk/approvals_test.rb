# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"
require_relative "../support/step_alone"

# What waits for an approval: at whose pages, until when, what silence does, and what approving now
# saves.
class ApprovalsTest < Minitest::Test
  include StepAlone

  def setup
    @world = BenchWorld.new
    @start = @world.app.now
  end

  def teardown = @world.close
  def due(*moves) = SteadyMove::Desk::Moves::Approvals.new(@world.app).due(moves)

  ENDS = StepAlone::START + (5 * 86_400)
  PENDING = { deadline: ENDS, assumed: true }.freeze
  LINK = %i[code outside confirm_link].freeze
  MAIL = { "silence" => "lapses", "release" => "link" }.freeze
  PAGE = { "release" => "page" }.freeze
  ASKED = [%w[done get-code], %w[done check-code], %w[done order]].freeze
  EARLY = ["waiting", "release", { early: true }].freeze
  SEEN = ["done", "registry-pending", PENDING].freeze
  DAYS = (5 * 86_400) - 900

  # options and ways of a plan, what it was told => [place, step, silence, is a deadline told, is it
  # assumed, seconds saved, can it be approved here]
  ITEMS = [
    [LINK, {}, [*ASKED, EARLY], ["b", "confirm-link", "nothing", false, false, nil, false]],
    [LINK, {}, [], nil],
    [%i[code], {}, [*ASKED, SEEN], ["a", "release", "approves", true, true, DAYS, true]],
    [%i[code], PAGE, [*ASKED, SEEN], ["a", "release", "approves", true, true, DAYS, false]],
    [%i[code], MAIL, [*ASKED, SEEN], ["a", "release", "lapses", true, true, nil, false]],
    [
      %i[code],
      {},
      [*ASKED, SEEN, ["approved", nil]],
      ["a", "release", "approves", true, true, DAYS, false]
    ]
  ].freeze

  def test_each
    ITEMS.each do |options, ways, told, wanted|
      places = due(move(*events(told), options: options, ways: ways))
      found =
        places.flat_map do |place|
          place.items.map do |i|
            [place.id, i.step, i.silence, !i.ends.nil?, i.assumed, i.saves, i.able]
          end
        end
      assert_equal [wanted].compact, found, [options, ways, told].inspect
    end
  end

  # Of accounts that are not there any more only the id is known; the soonest deadline comes first.
  def test_places
    early = [*ASKED, ["done", "registry-pending", { deadline: START + 3600 }]]
    one = move(*events([*ASKED, SEEN]), options: %i[code])
    two = move(*events(early), options: %i[code])
    places = due(one, two)
    assert_equal([["a", "a", nil]], places.map { |p| [p.id, p.title, p.site] })
    assert_equal([START + 3600, ENDS], places.first.items.map(&:ends))
  end
end
