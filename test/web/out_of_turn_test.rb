# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Acts out of their turn, over a desk that has lived through its week: each is refused with a
# sentence that says why, and leaves no line in the journal.
class OutOfTurnTest < Minitest::Test
  include SignedIn

  def new_world = BenchWorld.new(names_at: nil, week: true)

  # {path with the move's number: what is given}
  ACTS = {
    "moves/ID/approve" => {
    },
    "moves/ID/unwish" => {
    },
    "moves/ID/hand-on" => {
      to: "bo@saltern-office.example",
      note: "yours now"
    },
    "moves/ID/look" => {
    },
    "moves/ID/call-off" => {
    },
    "moves/ID/mend" => {
    },
    "moves/ID/accept" => {
      step: "landed",
      reason: "seen by phone"
    },
    "moves/ID/hand-over" => {
    },
    "moves/ID/same-registrar" => {
    },
    "moves/ID/over" => {
      how: "refused"
    },
    "hands/said" => {
      steps: [{ move: "ID", step: "order" }]
    },
    "hands/unsaid" => {
      steps: [{ move: "ID", step: "order" }]
    },
    "hands/refused" => {
      move: "ID",
      why: "locked",
      words: "it is locked"
    },
    "hands/step-refused" => {
      move: "ID",
      step: "order",
      words: "no"
    },
    "hands/consent" => {
      moves: ["ID"],
      given_by: "Pearl Strand",
      until: "2027-05-01T00:00:00Z"
    },
    "hands/new-code" => {
      move: "ID"
    }
  }.freeze

  # What ends a move, or hands it on, may be done with whatever is open.
  ALWAYS = %w[approve hand-on call-off].freeze
  # name => what else of these may be done with it just now.
  OPEN = {
    "harbourpass.example" => %w[look],
    "isles-timetable.example" => %w[look over],
    "islandhopper-pass.example" => %w[look consent new-code],
    "northskerry-crew.example" => %w[look consent new-code],
    "salternferries.example" => %w[look new-code],
    "saltern-press.fjd.test" => %w[look new-code],
    "xn--fhre-saltern-gcb.example" => %w[look]
  }.freeze

  # {what is asked: [what is given, status, part of the sentence]}
  ELSEWHERE = {
    "records/nobody.example/zone" => [{ source: "walk" }, 404, "nobody.example"],
    "records/kelpquay.example/decide" => [
      { sets: ["kelpquay.example. A"], choice: "carry" },
      404,
      "kelpquay"
    ],
    "records/kelpquay.example/fill" => [{}, 409, "kelpquay"],
    "records/kelpquay.example/tied" => [{ key: "sails", state: "replaced" }, 404, "sails"],
    "strays/kelpquay.example/refuse" => [{}, 409, "kelpquay"],
    "strays/kelpquay.example/expected" => [{ ordered_by: "Pearl" }, 409, "kelpquay"],
    "strays/kelpquay.example/safe" => [{}, 409, "kelpquay"],
    "names/nobody.example/let-go" => [{}, 404, "nobody.example"],
    "names/harbourpass.example/let-go" => [{}, 409, "harbourpass"],
    "codes/kelpquay.example/check" => [{}, 409, "kelpquay"],
    "codes/kelpquay.example/wipe" => [{}, 409, "kelpquay"],
    "codes/kelpquay.example/choose" => [{ later: true }, 409, "kelpquay"],
    "hands/leavings" => [{ moves: [999], key: "account", state: "kept" }, 404, "999"],
    "hands/order-list" => [{ account: "orlop" }, 409, "order"],
    "ledger" => [
      { kind: "receipt", moves: [999], account: "orlop", amount: { minor: 900, currency: "EUR" } },
      404,
      "999"
    ],
    "ledger/settle" => [{ key: "sails", reason: "seen" }, 409, "settle"],
    "moves/1/closing" => [{ key: "sails", state: "kept" }, 404, "sails"],
    "letters/draft" => [{ reminds: 999 }, 404, "999"]
  }.freeze

  def setup
    super
    sign_in
  end

  def lines(id) = world.app.journal.of_move(id).size
  def put_in(given, id) = JSON.parse(given.to_json.gsub('"ID"', id.to_s), symbolize_names: true)

  # [status, sentence] of an act on a move.
  def acted(path, given, id)
    status = send_to("/api/#{path.sub("ID", id.to_s)}", **put_in(given, id))
    [status, last_response.body]
  end

  def test_what_has_ended_takes_no_act
    world
      .app
      .moves
      .all
      .reject(&:open)
      .each do |move|
        ACTS.each do |path, given|
          before = lines(move.id)
          status, said = acted(path, given, move.id)
          assert_equal [409, 0], [status, lines(move.id) - before], "#{path} #{move.name}: #{said}"
          assert_match(/has ended|does not wait|is said|to hand over/, said)
        end
      end
  end

  def test_what_is_under_way_takes_what_it_waits_for
    found =
      world
        .app
        .moves
        .all
        .select(&:open)
        .to_h do |move|
          taken =
            ACTS
              .reject { |path, _| ALWAYS.include?(File.basename(path)) }
              .select { |path, given| taken?(path, given, move.id) }
          [move.name, taken.keys.map { |path| File.basename(path) }]
        end
    assert_equal OPEN, found.sort_by { |name, _| OPEN.keys.index(name).to_i }.to_h
  end

  # Is it taken? What is refused says why and leaves no line.
  def taken?(path, given, id)
    before = lines(id)
    status, said = acted(path, given, id)
    return true if status == 200

    assert_equal [409, 0], [status, lines(id) - before], "#{path} #{id}: #{said}"
    assert_match(/"detail":".{20,}"/, said)
    false
  end

  def test_what_is_not_there
    ELSEWHERE.each do |path, (given, status, says)|
      before = world.app.db[:events].count
      found = send_to("/api/#{path}", **given)
      assert_equal [status, 0], [found, world.app.db[:events].count - before], path
      assert_includes last_response.body, says, path
    end
  end
end
