# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# The demo opens on a working day: what the scenario lived through stands there with its evidence,
# and the first move of the README can still be made.
class WorkingDayTest < Minitest::Test
  include SignedIn

  # name => [step that waits, whose turn, phase]
  OPEN = {
    "harbourpass.example" => %w[release yours under-way],
    "isles-timetable.example" => %w[registry-pending yours stuck],
    "northskerry-crew.example" => %w[consent yours under-way],
    "islandhopper-pass.example" => %w[consent yours under-way],
    "salternferries.example" => %w[ns-settled clock under-way],
    "saltern-press.fjd.test" => %w[ask-code theirs under-way],
    "xn--fhre-saltern-gcb.example" => %w[settings yours under-way]
  }.freeze

  LISTS = %w[desk moves?state=open axis hands approvals journal ledger names forecast codes].freeze

  # What no sentence may show: a place that was not filled, a number that is none, a key or a slug
  # of ours.
  RAW = [
    /%\{/,
    /\bNaN\b|\bundefined\b|\bnil\b/,
    /\b(?:steps|plan|short|outside|refused|journal|checks)\.[a-z_]+/,
    /\b(?:#{Core::Moves::Steps.all.map(&:id).grep(/-/).join("|")})\b/,
    /\b(?:#{Core::Readiness::Rules.all.keys.grep(/-/).join("|")})\b/,
    /#<|\{"|=>/
  ].freeze
  # Members that hold what a machine reads.
  MACHINE = %w[
    id
    step
    rule
    key
    name
    unicode
    needs
    lines
    events
    type
    kind
    text
    raw
    url
    ref
    until_means
    rests_on
    csrf
    facts
    names
    servers
    name_servers
    suffix
    from_id
    host
    host_id
    account
    place
    way
    seen_at
    typed
  ].freeze
  SHEETS = %w[
    desk
    hands
    approvals
    journal
    ledger
    post
    forecast
    axis
    batches
    rulebook
    accounts
  ].freeze

  def new_world = BenchWorld.new(names_at: nil, week: true)

  def test_the_demo_opens_on_a_working_day
    app = @world.app
    assert_equal "2027-03-08T08:00:00Z", app.now.iso8601
    open =
      app.moves.open.to_h do |m|
        current = m.state.current
        [m.name, [current.step.id, m.state.turn, current.phase]]
      end
    assert_equal OPEN, open
    assert_equal %w[nightboat-saltern.example],
                 SteadyMove::Desk::Moves::UnrequestedTransfers.new(app).open.map(&:name)
    assert_equal(
      ["called-off"],
      app.moves.of_name("saltern-freight.example").map { |m| m.state.ending }
    )
    release = app.moves.open_for("harbourpass.example").state.with_trait(:approval)
    assert_match(/2027-03-08T11:25:00Z/, release.says, "an approval is due today")
    kinds = app.messages.all.group_by(&:kind).transform_values(&:size)
    assert_operator kinds["approval-request"], :>=, 2
    assert_equal 1, kinds["offer"]
    forged = app.messages.all.find { |m| m.subject.start_with?("Action needed") }
    assert_equal "doubtful", forged.trust
    assert_equal ["sent"], app.letters.all.map { |l| l[:state] }.uniq
    assert_empty SteadyMove::Desk::Verification.new(app.db, app.safe).problems
    lines = app.journal.of_move(app.moves.open_for("xn--fhre-saltern-gcb.example").id).map(&:says)
    assert(
      lines.any?(/ fähre-saltern\.example/),
      "an international name is read in its own letters"
    )
    assert(lines.grep_v(/“/).none?(/xn--/), "but in what others wrote")
    move = app.moves.open_for("xn--fhre-saltern-gcb.example")
    hand = SteadyMove::Desk::Letters::TypedValues.needed(app, move, move.state.current.step)
    assert_equal [:aim, ["auto-renew on"]], hand, "what is to be set is said where it is done"
    in_their_own_letters
    no_sentence_is_raw
    proposal = @world.plan("saltern-isles.example", to: "orlop", host: "lanternroom")
    assert_predicate proposal, :startable?
    start_beside_the_rest
  end

  private

  # Whatever a list calls by a name, it calls in its own letters, too.
  def in_their_own_letters
    sign_in
    read =
      LISTS.to_h do |list|
        get "/api/#{list}"
        assert_equal 200, last_response.status, list
        [list, called(answer).select { |_, unicode| unicode == "fähre-saltern.example" }.size]
      end
    assert_empty(
      %w[desk moves?state=open axis hands journal names] - read.reject { |_, n| n.zero? }.keys
    )
  end

  # Every sentence of every list, of every move in every state that the week came to, and of every
  # name.
  def no_sentence_is_raw
    paths =
      SHEETS + @world.app.moves.all.map { |m| "moves/#{m.id}" } +
        @world.app.names.all.map { |n| "names/#{n[:name]}" }
    said =
      paths.flat_map do |path|
        get "/api/#{path}"
        assert_equal 200, last_response.status, path
        sentences(answer)
      end
    bad = said.uniq.select { |s| RAW.any? { |raw| s.match?(raw) } }
    assert_empty bad
    assert_operator said.uniq.size, :>=, 500
  end

  # Texts of more than two words, but for what machines read.
  def sentences(part)
    case part
    when Array
      part.flat_map { |p| sentences(p) }
    when Hash
      part.except(*MACHINE).values.flat_map { |v| sentences(v) }
    when String
      part.split.size > 2 ? [part] : []
    else
      []
    end
  end

  # Every [name, unicode] of an answer, however deep.
  def called(part)
    return part.flat_map { |p| called(p) } if part.is_a?(Array)
    return [] unless part.is_a?(Hash)

    deep = part.values.flat_map { |v| called(v) }
    return deep unless part["name"].is_a?(String) && part["name"].start_with?("xn--")

    assert_includes part.keys, "unicode"
    [*deep, part.values_at("name", "unicode")]
  end

  # Checks that find nothing are not sat through: the caches' day and the release take a few turns
  # of the clock.
  def start_beside_the_rest
    id = @world.start("saltern-isles.example", to: "orlop", host: "lanternroom")
    turns = 0
    until @world.move(id).state.current.step.id == "release"
      before = @world.app.now
      @world.driver.move_on_to_news
      turns += 1
      assert_operator @world.app.now - before, :<=, Practice::DeskSide::Driver::FAR
      assert_operator turns, :<, 16
    end
  end
end
