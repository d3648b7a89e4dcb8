# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/some_batches"

# What a batch refuses, with why; and names that can't be proposed in one.
class BatchRefusalsTest < Minitest::Test
  include ByHand
  include SomeBatches

  def setup = live_with("tarnbeck")
  def app = world.app

  # What two people do at once, or one does too late; a name that moves, and one that can't.
  def test_out_of_turn
    id = made(NAMES.first(2), limit: { "minor" => 1000, "currency" => "EUR" })
    begin_batch(id)
    refused(/started already, or is being asked/) { begin_batch(id, by: BEN) }
    price("transfer" => 99_900)
    refused(/plan has changed/) { batches.approve(id, by: BEN) }
    assert_nil batches.halt(id, by: ADA), "nothing runs that could be halted"
    batches.close(id, by: ADA)
    refused(/is closed/) { batches.change(id, by: ADA, per_day: 2) }
    refused(/is closed/) { batches.close(id, by: ADA) }
    refused(/At most 2000 names/) { made((1..2001).map { |n| "kelp#{n}.example" }) }
    moving = made(NAMES.first(1))
    begin_batch(moving)
    refused(/#{NAMES.first}/) { batches.change_names(moving, by: ADA, hold: [NAMES.first]) }
    gone, = batches.make(NAMES.last(1), by: ADA, to: "tarnbeck")
    refused(/None of its names can start/) { batches.start(gone, by: ADA, shown: []) }
  end

  def test_refusals
    id = made
    [
      [/in another batch/, -> { batches.make(NAMES, by: ADA, to: "orlop") }],
      [/no name in it/, -> { batches.make([], by: ADA) }],
      [/no account/, -> { batches.change(id, by: ADA, to: "nowhere") }],
      [/no DNS host/, -> { batches.change(id, by: ADA, host: "nowhere") }],
      [/sail/, -> { batches.change(id, by: ADA, late: "sail") }],
      [/can’t end on/, -> { batches.change(id, by: ADA, blackouts: [%w[2027-05-02 2027-05-01]]) }],
      [/not in this batch/, -> { batches.change_names(id, by: ADA, drop: %w[other.example]) }],
      [/not halted/, -> { batches.go_on(id, by: ADA) }],
      [/no batch number 99/, -> { batches.find(99) }]
    ].each { |match, act| refused(match, &act) }
  end

  # No destination, a name that is not held any more, a second one at a time, one that was asked
  # for while another asked.
  def test_names_that_can_not_be_proposed
    rows = proposed(NAMES.first(1), to: nil) + proposed(%w[nobody.example], to: "orlop")
    assert_equal [false, false], rows.map(&:startable)
    says = rows.flat_map(&:says)
    assert_match(/destination.*nobody\.example/m, says.join("\n"))
    id, = batches.make(NAMES.first(1), by: ADA)
    refused(/None of its names can start/) { batches.start(id, by: ADA, shown: []) }
    refused(/None of its names can start/) do
      SteadyMove::Desk::Batches::Rehearsing.new(app).rehearse(batches.find(id))
    end
  end

  # The host that was chosen for the batch, or for the name, carries the records of a name whose
  # zone would end, and of no other.
  def test_who_carries_the_records
    isles = "saltern-isles.example"
    id, = batches.make([isles, NAMES.last], by: ADA, to: "orlop", host: "lanternroom")
    rows = review(id).rows.to_h { |r| [r.name, r] }
    assert_equal [true, false], rows.values_at(isles, NAMES.last).map(&:carries)
    app.zone_migrations.put(isles, by: ADA, at: app.now, host_id: "lanternroom")
    assert_predicate proposed([isles], to: "orlop").first, :carries
    app.names.drop(isles)
    refute_predicate proposed([isles], to: "orlop").first, :startable
  end
end
