# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# The code safe, from a pasted list to the move that uses the code; over the API, because there the
# codes must not be seen.
class CodeSafeTest < Minitest::Test
  include SignedIn

  NAME = "isles-timetable.example"

  def right = world.world.registry.find(NAME)[:auth_info]
  def codes = (get("/api/codes") && answer["codes"]).to_h { |c| [c["name"], c["state"]] }
  def fates = answer["lines"].map { |l| l.values_at("number", "name", "fate") }

  def test_a_list_is_looked_at_before_anything_is_kept
    sign_in
    list = [
      "#{NAME},Aa1,b;\"2x",
      "kelpquay.example  Bb2222",
      "nobody.example,Cc3333",
      "harbourpass.example",
      "#{NAME.sub("isles", "ISLES")}.,Aa1,b;\"2x",
      ""
    ].join("\n")
    assert_equal 200, send_to("/api/codes/preview", text: list)
    assert_equal [
                   [1, NAME, "new"],
                   [2, "kelpquay.example", "new"],
                   [3, "nobody.example", "refused"],
                   [4, nil, "refused"],
                   [5, NAME, "new"]
                 ],
                 fates
    refute_match(/Aa1|Bb2222|Cc3333/, last_response.body)
    assert_empty codes
    assert_equal 200, send_to("/api/codes", text: list, only: [1, 3])
    assert_equal({ NAME => "held" }, codes)
    assert_equal 200, send_to("/api/codes", text: "#{NAME}\tDd4444\nkelpquay.example\tEe5555")
    assert_equal [[1, NAME, "kept"], [2, "kelpquay.example", "kept"]], fates
    assert_equal 2, codes.size
    refute_match(
      /Aa1|Bb2222|Dd4444/,
      world.app.db.tables.map { |t| world.app.db[t].all.inspect }.join + @log.string
    )
  end

  def test_each_look_is_in_the_journal
    sign_in
    send_to("/api/codes", text: "#{NAME},Look1234")
    assert_equal [200, "Look1234", "no-store"],
                 [
                   send_to("/api/codes/#{NAME}/reveal"),
                   answer["code"],
                   last_response.headers["cache-control"]
                 ]
    send_to("/api/codes/#{NAME}/reveal", copied: true)
    said = world.app.journal.page(name: NAME).first(2).reverse.map(&:says)
    assert_equal [
                   "ada@saltern-office.example looked at the authorization code.",
                   "ada@saltern-office.example copied the authorization code."
                 ],
                 said
    refute_includes @log.string, "Look1234"
    send_to("/api/codes/#{NAME}/wipe")
    assert_empty answer["codes"]
    %w[reveal check wipe].each { |act| assert_equal 409, send_to("/api/codes/#{NAME}/#{act}"), act }
  end

  def test_the_registry_is_asked
    sign_in
    send_to("/api/codes", text: "#{NAME},wrong-code-1")
    assert_equal "rejected", (send_to("/api/codes/#{NAME}/check") && answer["state"])
    assert_includes SteadyMove::Desk::Portfolio::Judging
                      .new(world.app)
                      .one(NAME)
                      .verdict
                      .findings
                      .map(&:rule),
                    "code-unfit"
    send_to("/api/codes", text: "#{NAME},#{right}")
    assert_equal "checked", (send_to("/api/codes/#{NAME}/check") && answer["state"])
    world.link.fault("away-orlop", "on")
    assert_equal [409, true],
                 [
                   send_to("/api/codes/#{NAME}/check"),
                   answer["detail"].to_s.start_with?("Orlop Domain Desk: ")
                 ]
  end

  # A character that the destination can't take is found before anything is ordered; elsewhere it is
  # no reason.
  def test_a_code_that_the_destination_can_not_take
    sign_in
    {
      "Ab,9;x1" => true,
      "short" => true,
      "two words" => true,
      "Ab-9+x!~" => false
    }.each do |code, unfit|
      send_to("/api/codes", text: "#{NAME}\t#{code}")
      rules = ->(to) do
        SteadyMove::Desk::Portfolio::Judging
          .new(world.app)
          .one(NAME, to: to)
          .verdict
          .findings
          .map(&:rule)
      end
      assert_equal [unfit, false],
                   [rules["orlop"].include?("code-unfit"), rules["gannet"].include?("code-unfit")],
                   code
    end
    send_to("/api/codes", text: "#{NAME},Ab,9;x1")
    snapshot =
      world
        .app
        .portfolio
        .snapshots(at: world.app.now, now: world.app.now, to: "orlop", patience: 30)
        .first
    entry = snapshot.list.find { |e| e.ascii == NAME }
    assert_equal %w[fix ready],
                 [entry.outline.gate(world.app.now.to_i).kind, snapshot.gate(entry).kind],
                 "the plan asks for another code"
  end

  # A code that was kept goes with the move, a rejected one does not; when the name lands nothing of
  # it is left.
  def test_the_move_takes_the_code_that_was_kept
    sign_in
    send_to("/api/codes", text: "#{NAME},#{right}\nnightboat-saltern.example,wrong-code-1")
    send_to("/api/codes/nightboat-saltern.example/check")
    asked = -> do
      world.link.log.count do |l|
        l["registrar"] == "tarnbeck" && l["command"] == "info" && l["name"] == NAME
      end
    end
    ids = [NAME, "nightboat-saltern.example"].map { |n| world.start(n, to: "orlop") }
    world.until_true { ids.all? { |id| world.move(id).state.done?("check-code") } }
    assert_operator asked.call, :>, 0
    assert_equal right, world.app.codes.of_move(ids.first)
    refute_equal "wrong-code-1", world.app.codes.of_move(ids.last)
    world.until_true { ids.all? { |id| !world.move(id).open } }
    assert_empty world.app.codes.all_live
    assert_equal [nil], world.app.db[:codes].select_map(:sealed).uniq
  end

  # Past its lifetime a kept code is no longer used; the suffix's registry gives it thirty days.
  def test_an_old_code_is_not_used
    codes = world.app.codes
    codes.keep(NAME, "old-one-1", at: world.app.now - (31 * 86_400))
    refute codes.take_for(9, NAME, at: world.app.now, lives: 30 * 86_400)
    assert codes.take_for(9, NAME, at: world.app.now, lives: 32 * 86_400)
    assert_equal "old-one-1", codes.of_move(9)
  end

  # Before it is used the registry is asked; where it rejects the one that was held, the later one
  # is tried.
  def test_the_registry_chooses_between_two_codes_where_it_can_be_asked
    sign_in
    world.app.codes.keep(NAME, "wrong-code-1", at: world.app.now)
    world.app.codes.propose(NAME, right, at: world.app.now, sent_by: "notices@tarnbeck.example")
    id = world.start(NAME, to: "orlop")
    get "/api/codes"
    assert_equal [NAME, "notices@tarnbeck.example"],
                 answer["choices"].first.values_at("name", "sent_by")
    refute_includes last_response.body, right
    get "/api/desk"
    assert_equal([NAME], answer["choices"].map { |c| c["name"] })
    refute_includes last_response.body, right
    world.until_true { world.move(id).state.done?("order") }
    assert_empty world.app.codes.proposed
    told = world.move(id).events.map { |e| SteadyMove::Words.retold(e) }.join("\n")
    assert_includes told, "the later one, from notices@tarnbeck.example"
    assert_equal 409, send_to("/api/codes/#{NAME}/choose", later: true)
  end

  # What is chosen is as old as it was when it came.
  def test_a_choice_makes_no_code_younger
    came = world.app.now - (20 * 86_400)
    world.app.codes.keep(NAME, "first-code-1", at: came)
    world.app.codes.propose(NAME, "later-code-1", at: came + 60, sent_by: "a@tarnbeck.example")
    assert world.app.codes.take_proposed(NAME)
    assert_equal (came + 60).to_i, world.app.codes.held(NAME)[NAME].first
  end
end
