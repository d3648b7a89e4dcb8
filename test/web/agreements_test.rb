# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# A client agrees to a batch, or asks about it, under a secret address: to what is shown there and
# to nothing else. Their yes is the consent that the move needs.
class WebAgreementsTest < Minitest::Test
  include SignedIn

  NAMES = %w[isles-timetable.example nightboat-saltern.example harbourpass.example].freeze
  CLIENT = "Lanternroom"
  PATH = "/api/agreement"
  ME = "ada@saltern-office.example"

  def setup
    super
    sign_in
    NAMES
      .first(2)
      .each do |name|
        send_to("/api/names/#{name}/note", key: "client", value: CLIENT)
        send_to("/api/names/#{name}/note", key: "privacy", value: true)
      end
    send_to("/api/batches", names: NAMES, to: "orlop")
    @batch = answer["id"]
    SteadyMove::Desk::Batches::BatchCommands.new(world.app).change(@batch, by: ME, trial: false)
  end

  def ask(**whose)
    assert_equal 200, send_to("/api/batches/#{@batch}/agreements", **whose), last_response.body
    answer["address"][/#(.+)/, 1]
  end

  def page(word, status = 200)
    assert_equal status, send_to(PATH, word: word), last_response.body
    answer
  end

  def agree(word, **given)
    send_to("#{PATH}/answer", word: word, answer: "yes", by: "Jo Marsh", **given)
  end

  # As somebody without a session.
  def outside
    header "X-CSRF-Token", nil
    clear_cookies
    take_token
    yield
  end

  def test_a_client_sees_their_names_and_agrees
    word = ask(client: CLIENT)
    outside do
      shown = page(word)
      assert_equal NAMES.first(2).sort, shown["names"].map { |n| n["name"] }.sort
      assert_equal [["Orlop Domain Desk"], 0],
                   [shown["names"].map { |n| n["to"] }.uniq, shown["unpriced"]]
      assert(shown["names"].all? { |n| n["public_until"] > n["at"] && n["uptime"].is_a?(String) })
      costs = shown["names"].map { |n| n["total"]["minor"] }
      assert_equal([costs.sum], shown["total"].map { |a| a["minor"] })
      assert_equal 422, agree(word, by: " ")
      assert_equal 422, agree(word, answer: "question")
      assert_equal 200, agree(word, answer: "question", says: "Why in March?")
    end
    sign_in
    get "/api/desk"
    waits = answer["batches"].find { |b| b["kind"] == "question" }
    assert_match(/Jo Marsh asks about .*Why in March\?/, waits["says"])
    outside do
      assert_equal 200, agree(word)
      assert_equal "yes", page(word)["state"]["answer"]
      assert_equal 409, agree(word), "nobody takes a yes back by saying it again"
    end
    sign_in
    get "/api/desk"
    assert_empty answer["batches"]
    get "/api/batches/#{@batch}"
    given = answer["agreements"].map { |a| a.values_at(*%w[client answer answered_by changed]) }
    assert_equal [[CLIENT, "yes", "Jo Marsh", false]], given
    assert_equal [CLIENT], answer["clients"]
  end

  # The consent that a privacy service's end needs is the client's own, of their names alone, and
  # ends when they were told that it does.
  def test_a_yes_is_the_consent_of_what_begins
    word = ask(client: CLIENT)
    ends = page(word)["names"].to_h { |n| n.values_at("name", "public_until") }
    assert_equal 200, agree(word)
    send_to("/api/names/#{NAMES.last}/note", key: "privacy", value: true)
    commands = SteadyMove::Desk::Batches::BatchCommands.new(world.app)
    review = SteadyMove::Desk::Batches::BatchReview.new(world.app).review(commands.find(@batch))
    commands.start(@batch, by: ME, shown: review.total)
    world.until_true(most: 300, what: "all to begin") do
      NAMES.all? { |n| world.app.moves.open_for(n) }
    end
    NAMES
      .first(2)
      .each do |name|
        consent = world.app.moves.open_for(name).state.consent
        assert_equal "Jo Marsh (#{CLIENT})", consent["given_by"]
        assert_equal ends[name], consent["until"].iso8601
      end
    other = world.app.moves.open_for(NAMES.last).state
    assert_equal [nil, true], [other.consent, !other.with_trait(:consent).nil?]
  end

  # Of that client's names alone, and not once the day that was shown is over.
  def test_when_a_yes_counts
    word = ask(client: CLIENT)
    assert_equal 200, agree(word)
    agreements = SteadyMove::Desk::Batches::Agreements.new(world.app)
    batch = world.app.batches.find(@batch)
    ends = agreements.consent(batch, NAMES.first)[:until]
    assert_nil agreements.consent(batch, NAMES.last), "it is another client's"
    world.app.stub(:now, ends - 1) { assert agreements.consent(batch, NAMES.first) }
    world.app.stub(:now, ends) { assert_nil agreements.consent(batch, NAMES.first) }
  end

  # What happens to the batch => what the address says then.
  CHANGES = {
    "another destination" => [:change, { to: "kedge" }, 409],
    "a name less" => [:change_names, { drop: [NAMES.first] }, 409],
    "another client's name less" => [:change_names, { drop: [NAMES.last] }, 200],
    "another title" => [:change, { title: "March" }, 200],
    "its end" => [:close, {}, 404]
  }.freeze

  def test_a_yes_is_to_what_was_shown
    CHANGES.each do |what, (act, given, status)|
      word = ask(client: CLIENT)
      SteadyMove::Desk::Batches::BatchCommands.new(world.app).public_send(
        act,
        @batch,
        by: ME,
        **given
      )
      page(word, what == "its end" ? 404 : 200)
      assert_equal status == 409, answer.dig("state", "changed") == true, what
      assert_equal status, agree(word), what
    end
  end

  # Its zone would end, and nobody chose a host for its records.
  ENDS = "saltern-careers.example"

  # Nobody is asked to agree to what can't begin.
  def test_what_cant_begin_is_no_part_of_it
    commands = SteadyMove::Desk::Batches::BatchCommands.new(world.app)
    commands.change_names(@batch, by: ME, add: [ENDS])
    shown = page(ask)
    assert_equal [3, [ENDS]], [shown["names"].size, shown["left_out"]]
    send_to("/api/names/#{ENDS}/note", key: "client", value: "Isle Hotel")
    assert_equal 409, send_to("/api/batches/#{@batch}/agreements", client: "Isle Hotel")
    assert_match(/can begin yet.*#{ENDS}/, answer["detail"])
  end

  # One address at a time, which ends when somebody ends it; nothing of it stands in any log.
  def test_addresses_end
    first = ask
    second = ask
    page(first, 404)
    assert_equal 3, page(second)["names"].size
    assert_equal 200, send_to("/api/batches/#{@batch}/agreements/end")
    page(second, 404)
    assert_equal 404, agree(second)
    assert_equal 404, send_to("/api/batches/#{@batch}/agreements", client: "Nobody")
    page("no-such-word", 404)
    [first, second].each { |word| refute_includes @log.string, word }
    kept = world.app.db[:events].select_map(:says).join + world.app.db[:agreements].all.to_s
    [first, second].each { |word| refute_includes kept, word }
  end
end
