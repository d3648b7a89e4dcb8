# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/bench_world"

# ARCHITECTURE's table “where to change for what”, tried: one more rule, step, habit, record type
# and kind of message, each made in memory of just what the table names, and each at work.
class OneMoreTest < Minitest::Test
  R = Core::Readiness
  M = Core::Moves
  Words = SteadyMove::Words

  # Other constants in a module while the block runs.
  def in_place_of(room, **values)
    held = values.to_h { |name, _| [name, room.send(:remove_const, name)] }
    values.each { |name, value| room.const_set(name, value) }
    yield
  ensure
    held&.each do |name, value|
      room.send(:remove_const, name)
      room.const_set(name, value)
    end
  end

  # The catalogue with more words (config/words/en/).
  def with_words(tree)
    Dir.mktmpdir do |folder|
      FileUtils.cp_r(File.join(Words::FOLDER, "en"), folder)
      File.write(File.join(folder, "en", "zz_more.yml"), tree.to_yaml)
      Words.catalogue = Words::Catalogue.new(folder)
      yield
    ensure
      Words.catalogue = nil
    end
  end

  # A row in config/rulebook/rules.yml, an object in core/readiness/rules/.
  def test_one_more_rule
    rule =
      R::Rules::Rule.of(:tide_table) do |facts, _, _|
        facts[:tide_table] == "missing" && R::Rules.standing
      end
    folder = File.join(SteadyMove::ROOT, "config", "rulebook")
    read = ->(file) { YAML.safe_load_file(File.join(folder, file), permitted_classes: [Date]) }
    rows =
      read.call("rules.yml") +
        [
          {
            "id" => "tideless",
            "title" => "Tideless",
            "effect" => "fix",
            "in_move" => "first",
            "because" => "There is no tide table.",
            "remedy" => "Print one.",
            "find_out" => "Look at the pier.",
            "source" => {
              "text" => "t",
              "kind" => "C",
              "verified" => false,
              "date" => Date.new(2026, 11, 25)
            }
          }
        ]
    families = [{ file: "gtld.yml", row: read.call("gtld.yml") }]
    R::Rules.trying("tideless" => rule) do
      book = R::Rulebook.new(rules: { file: "rules.yml", rows: rows }, families: families)
      name = Core::Names::DomainName.parse("ferry.example")
      judged =
        lambda do |value|
          R::Judge.judge(book, name, R::Facts.ruled(tide_table: value)).verdict(
            Time.utc(2027, 3, 1)
          )
        end
      assert_includes judged.call("missing").findings.map(&:because), "There is no tide table."
      refute_includes judged.call("there").findings.map(&:rule), "tideless"
    end
  end

  # A file in core/moves/steps/, one in desk/moves/steps/, its words in config/words/.
  def test_one_more_step
    step =
      M::Step.declare("ring-bell") do
        order 405
        needs "lock-gone"
        takes 1, 2, 3
        undo "make-safe"
        traits :waivable
      end
    act =
      Class.new(SteadyMove::Desk::Moves::Act) { def call = done(sentence(:rung), source: :desk) }
    M::Steps.const_set(:RingBell, step)
    SteadyMove::Desk::Moves.const_get(:Steps).const_set(:RingBell, act)
    with_words(
      "steps" => {
        "ring-bell" => {
          "title" => "Ring the bell for %{name}",
          "short" => "bell rung",
          "proof" => "the echo",
          "rung" => "The bell rang for %{name}."
        }
      }
    ) do
      world = BenchWorld.new
      id = world.start("isles-timetable.example", to: "orlop")
      world.until_true { world.move(id).state.done?("order") }
      rang = world.move(id).events.find { |e| e.step == "ring-bell" }
      assert_equal ["done", "The bell rang for isles-timetable.example."], [rang.type, rang.says]
      words = SteadyMove::Desk::Common::MoveWords.values(world.move(id).plan, world.app.accounts)
      sheet =
        SteadyMove::Web::Views::MoveView.sheet(
          world.move(id),
          words,
          {},
          world.app.now,
          SteadyMove::Desk::Planning::InShort.new(world.app),
          code_state: nil,
          hands: ->(_) {}
        )
      assert_includes sheet.to_json, "Ring the bell for isles-timetable.example"
    ensure
      world&.close
    end
  ensure
    [M::Steps, SteadyMove::Desk::Moves.const_get(:Steps)].each do |room|
      room.send(:remove_const, :RingBell)
    end
  end

  # A word of `habits` in a registrar's file, what it does in practice/registrar.rb.
  def test_one_more_habit
    told = { "shut_on_mondays" => true }
    habit =
      Module.new do
        define_method(:habits) { super().merge(told) }

        def update(name, **given)
          raise Practice::Refusal, 2306 if habits["shut_on_mondays"]

          super
        end
      end
    world = BenchWorld.new
    registrar = world.world.registrars.fetch("tarnbeck")
    registrar.extend(habit)
    world
      .world
      .registry
      .domains
      .where(name: "isles-timetable.example")
      .update(statuses: '["clientTransferProhibited"]')
    open = world.start("isles-timetable.example", to: "orlop")
    world.runner.pass
    assert_equal "stuck", world.move(open).state["unlock"].phase
    told.clear
    world.until_true { world.move(open).state.done?("unlock") }
  ensure
    world&.close
  end

  # A row in core/accounts/habits.rb and its label: the form asks for it, the door lets it in, the
  # account keeps it. (Its field is filled in test/ui/account.test.ts.)
  def test_one_more_habit_of_an_account
    habits = Core::Accounts::Habits
    queue = habits.habit("queue_days", :digits, "codes", steps: %w[order])
    words = { "account_form" => { "habits" => { "queue_days" => "Days in its queue" } } }
    world = BenchWorld.new
    with_words(words) do
      habits.with(queue) do
        field = SteadyMove::Web::Views::AccountForm.habits.find { |h| h[:id] == "queue_days" }
        assert_equal ["Days in its queue", "codes", :digits],
                     field.values_at(:label, :section, :kind)
        contract = SteadyMove::Web::Contract.new
        change = contract.operation("changeAccount")
        given = contract.body(JSON.generate(habits: { queue_days: "3" }), change)
        SteadyMove::Desk::Accounts::Endpoints.new(world.app).change_account(
          "orlop",
          given,
          by: "ada"
        )
        assert_equal "3", world.app.accounts.find("orlop").habits["queue_days"]
        assert_raises(SteadyMove::Web::Problem) do
          contract.body(JSON.generate(habits: { queue_days: "three" }), change)
        end
      end
    end
    contract = SteadyMove::Web::Contract.new
    change = contract.operation("changeAccount")
    assert_raises(SteadyMove::Web::Problem) do
      contract.body(JSON.generate(habits: { queue_days: "3" }), change)
    end
  ensure
    world&.close
  end

  # A row in core/records/rdata.rb.
  def test_one_more_record_type
    records = Core::Records
    rdata = records::Rdata
    fields = %i[u16 name].map { |kind| records::Fields::ALL.fetch(kind) }
    in_place_of(
      rdata,
      KINDS: rdata::KINDS.merge("TIDE" => fields),
      NUMBERS: rdata::NUMBERS.merge("TIDE" => 65_400),
      TYPES: rdata::TYPES.merge(65_400 => "TIDE")
    ) do
      zone = records::ZoneReader.read("$TTL 60\npier TIDE 12 harbour", origin: "tide.example")
      data = zone.records.first.rdata
      assert_equal ["TIDE", "12 harbour.tide.example."], [data.type, data.to_s]
      assert_equal data, records::Rdata.from_wire("TIDE", data.to_wire)
    end
  end

  # A row in core/post/lexicon.rb, its wording in core/post/languages/, its title in
  # config/words/en/post.yml.
  def test_one_more_kind_of_message
    lexicon = Core::Post::Lexicon
    kind = lexicon::Kind.new(id: "tide-warning", asks: true)
    all = [kind, *lexicon::ALL]
    languages = Core::Post::Languages
    english, *others = languages::ALL
    wording = { "tide-warning" => [[9, /high water/i, :it_warns_of_the_tide]] }
    english = english.dup.tap { |t| t.kinds = t.kinds.merge(wording) }
    in_place_of(languages, ALL: [english, *others]) { one_more_kind(lexicon, all) }
  end

  def one_more_kind(lexicon, all)
    in_place_of(
      lexicon,
      ALL: all,
      IDS: all.map(&:id) + ["unrelated"],
      ASKING: ["tide-warning", *lexicon::ASKING]
    ) do
      with_words(
        "post" => {
          "kinds" => {
            "tide-warning" => "tide warning"
          },
          "says" => {
            "it_warns_of_the_tide" => "it warns of the tide"
          }
        }
      ) do
        mail =
          SteadyMove::Wire::Mail::Eml.read("From: a@b.test\r\nSubject: High water\r\n\r\nTonight.")
        read = Core::Post::Reader.read(mail, held: [], known: nil)
        assert_equal ["tide-warning", "The wording: it warns of the tide."],
                     [read.kind, Words.text(read.because.first)]
        assert_includes SteadyMove::Web::Views::PostView.kinds,
                        { id: "tide-warning", title: "Tide warning" }
      end
    end
  end
end
