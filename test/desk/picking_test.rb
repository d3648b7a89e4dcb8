# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# A pasted list goes into the tray: any separators, any spelling, hosts and URLs; what is not held
# is told.
class PickingTest < Minitest::Test
  def setup = @world = BenchWorld.new(names_at: nil)
  def teardown = @world.close

  # pasted => [names, unknown]
  LISTS = {
    "slipway.example\nkelpsound.example" => [%w[slipway.example kelpsound.example], []],
    "SLIPWAY.example; slipway.example." => [%w[slipway.example], []],
    "https://www.slipway.example/a?b, mail.kelpsound.example:993" => [
      %w[slipway.example kelpsound.example],
      []
    ],
    "slipway.example,Qx7-code" => [%w[slipway.example], %w[Qx7-code]],
    "<info@slipway.example> | nobody.example" => [%w[slipway.example], %w[nobody.example]],
    "notslipway.example example" => [[], %w[notslipway.example example]]
  }.freeze

  def test_what_a_pasted_list_means
    LISTS.each do |text, (names, unknown)|
      found = SteadyMove::Desk::Portfolio::Picking.call(@world.app, text)
      assert_equal [names, unknown], [found.names, found.unknown], text
    end
  end
end
