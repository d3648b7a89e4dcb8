# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/by_hand"
require_relative "../support/some_batches"

# Parts of a batch: which names rest on each other, a rehearsal, the status text, what a crash
# leaves behind.
class BatchPartsTest < Minitest::Test
  include ByHand
  include SomeBatches

  def setup = live_with("tarnbeck")
  def app = world.app
  def together(names) =
    SteadyMove::Desk::Batches.const_get(:DependencyGroups).new(app).groups(names)

  # what is known of a name => does it hang together with nightboat-saltern.example?
  CASES = {
    { admin_email: "desk@nightboat-saltern.example" } => true,
    { admin_email: "desk@mail.nightboat-saltern.example" } => true,
    { admin_email: "desk@elsewhere.example" } => false,
    { name_servers: %w[ns1.nightboat-saltern.example ns2.other.example] } => true,
    { name_servers: %w[ns1.not-nightboat-saltern.example] } => false
  }.freeze

  def test_which_names_rest_on_each_other
    CASES.each do |known, expected|
      source = known.key?(:name_servers) ? :public_record : :account
      app.names.learn(NAMES.first, facts(source: source, **known))
      groups = together(NAMES)
      same = groups[NAMES[0]] && groups[NAMES[0]] == groups[NAMES[1]]
      assert_equal expected, same ? true : false, known.inspect
      app.names.forget(NAMES.first, source)
    end
  end

  # A mail exchanger under the other name, as the kept copy of the zone has it.
  def test_records_that_point_there
    text = "$TTL 600\n@ SOA a b 1 2 3 4 5\n@ NS ns1.lanternroom.example.\n@ MX 10 mx.#{NAMES[1]}.\n"
    SteadyMove::Desk::Records::ZoneGetting.new(app).call(
      NAMES[0],
      source: "file",
      text: text,
      by: ADA
    )
    groups = together(NAMES)
    assert_equal groups[NAMES[0]], groups[NAMES[1]]
    assert_nil groups[NAMES[2]]
  end

  def test_a_rehearsal_comes_out_the_same_twice
    id, = batches.make(NAMES, by: ADA, to: "orlop")
    run = -> { SteadyMove::Desk::Batches::Rehearsing.new(app).rehearse(batches.find(id), runs: 10) }
    one = run.call
    two = run.call
    assert_equal one.to_h, two.to_h
    assert_equal 100, one.endings.values.sum
    assert_operator one.range.first, :>, app.now
    assert_equal 0, app.moves.open_count, "nothing outside is touched"
  end

  # The plug was pulled between a move's start and its line in the batch: it is taken up, not
  # started twice.
  def test_a_start_that_was_cut_off_is_taken_up
    id, = batches.make(NAMES.first(1), by: ADA, to: "orlop", trial: false)
    batches.start(id, by: ADA, shown: review(id).total)
    move = world.start(NAMES.first, to: "orlop")
    world.runner.pass
    assert_equal [move, 1], [members(id)[NAMES.first].move_id, app.moves.all.size]
  end

  def test_how_it_stands_in_plain_words
    id, = batches.make(NAMES, by: ADA, to: "orlop", title: "Spring")
    begin_batch(id)
    text = SteadyMove::Desk::Automation::StatusText.new(app).of_batch(batches.find(id))
    assert_equal "Spring: 3 names, 0 done, 1 moving, 2 not begun.", text.first
    assert_equal 2, text.grep(/: not begun\.\z/).size
    refute_match(/EUR|@/, text.join)
  end
end
