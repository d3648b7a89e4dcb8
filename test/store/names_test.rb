# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

# What sources say of names, kept and followed by revision; and what an older database becomes.
class NamesStoreTest < Minitest::Test
  Store = SteadyMove::Store
  NOW = Time.utc(2027, 3, 1, 8)

  def setup
    @folder = Dir.mktmpdir
    @db = Store::Database.open(File.join(@folder, "desk.sqlite3"))
    @names = Store::Names.new(@db)
    %w[a.example b.example c.example].each { |n| @names.put(domain(n), "quay", at: NOW) }
  end

  def teardown
    @db.disconnect
    FileUtils.rm_rf(@folder)
  end

  def say(name, source, at: NOW, **values)
    @names.learn(name, facts(source: source, at: at, **values))
  end
  def known(name) = @names.facts(name)

  def test_the_newest_word_of_each_source_is_kept
    say("a.example", :account, statuses: ["ok"], expires_at: NOW, transferred_at: NOW)
    say("a.example", :public_record, statuses: ["clientTransferProhibited"])
    assert_equal [["clientTransferProhibited"], NOW, [:statuses]],
                 [
                   known("a.example").statuses,
                   known("a.example")[:expires_at],
                   known("a.example").contradictions
                 ]
    say("a.example", :account, at: NOW + 60, statuses: ["clientHold"])
    refute known("a.example").known?(:transferred_at),
           "an account that no longer says a thing no longer knows it"
    assert_equal(
      [[["clientTransferProhibited"], NOW], [["clientHold"], NOW + 60]],
      known("a.example").about(:statuses).map { |f| [f.value, f.seen_at] }
    )
    assert_equal "test", known("a.example").all.first.ref
  end

  def test_notes_by_hand_are_kept_one_by_one
    say("a.example", :hand, paid: true)
    say("a.example", :hand, at: NOW + 5, dispute: "x")
    assert_equal [true, "x"], [known("a.example")[:paid], known("a.example")[:dispute]]
    @names.forget("a.example", :hand, :paid)
    assert_equal [nil, "x"], [known("a.example")[:paid], known("a.example")[:dispute]]
    @names.forget("a.example", :hand)
    assert_empty known("a.example").all
  end

  # Values of every kind come back as they were.
  def test_values_come_back
    values = {
      text: "ä \"q\"",
      list: %w[a b],
      number: 7,
      yes: true,
      no: false,
      instant: NOW,
      none: nil,
      map: {
        "at" => "x",
        "b" => [NOW]
      },
      empty: []
    }
    say("a.example", :hand, **values)
    assert_equal(values, known("a.example").all.to_h { |f| [f.key, f.value] })
  end

  def test_revisions_rise_with_everything_that_concerns_a_name
    marks = -> { @names.marks }
    before = marks.call
    revised = -> { @db[:names].order(:revision).last[:name] }
    rows = [
      ["a.example", -> { say("a.example", :account, statuses: ["ok"]) }],
      ["b.example", -> { @db[:codes].insert(name: "b.example", state: "held", received_at: 1) }],
      [
        "c.example",
        -> { Store::Journal.new(@db).add("noted", at: NOW, says: "x", by: "y", name: "c.example") }
      ],
      ["a.example", -> { @names.put(domain("a.example"), "other", at: NOW) }],
      ["b.example", -> { @db[:codes].update(state: "wiped") }],
      ["a.example", -> { @names.forget("a.example", :account) }],
      ["a.example", -> { say("a.example", :account, statuses: ["ok"]) }]
    ]
    rows.each do |name, act|
      act.call
      assert_equal name, revised.call
      assert_operator marks.call.first, :>, before.first
      assert_equal before.last, marks.call.last
    end
    @names.drop("c.example")
    assert_equal [%w[c.example], before.last],
                 [@names.gone(before.first, marks.call.first), marks.call.last],
                 "it is told, nothing else is read anew"
    seen = []
    @names.each_with_said(after: before.first) { |row, said, _| seen << [row[:name], said.keys] }
    assert_equal [["a.example", [:account]], ["b.example", []]], seen
  end

  def test_who_serves_whom
    say("a.example", :public_record, name_servers: %w[ns1.c.example ns2.c.example])
    say("c.example", :public_record, name_servers: %w[ns1.c.example])
    say("b.example", :public_record, name_servers: %w[ns.elsewhere.test])
    assert_equal(
      { "c.example" => %w[ns1.c.example ns2.c.example], "elsewhere.test" => ["ns.elsewhere.test"] },
      @names.hosts_for_others
    )
    say("a.example", :public_record, name_servers: %w[ns.elsewhere.test])
    assert_empty @names.hosts_for_others("c.example")
    say("a.example", :desk, zone_ends_with_account: "Old DNS")
    say("b.example", :desk, zone_ends_with_account: false)
    assert_equal({ "a.example" => "Old DNS" }, @names.zones_that_end)
  end

  # A database of the version before: each fact in a row of its own.
  def test_an_older_database_is_carried_over
    Dir.mktmpdir do |folder|
      db = Sequel.sqlite(path = File.join(folder, "old.sqlite3"))
      Sequel.extension(:migration)
      Sequel::Migrator.run(db, Store::Database::MIGRATIONS, target: 2)
      db[:names].insert(name: "a.example", unicode: "a.example", account_id: "quay", taken_at: 5)
      [
        ["statuses", "account", "[\"ok\"]"],
        ["expires_at", "account", "{\"at\":1803888000}"],
        ["statuses", "public_record", "[\"clientHold\"]"]
      ].each do |key, source, value|
        db[:facts].insert(
          name: "a.example",
          key: key,
          source: source,
          value: value,
          seen_at: 99,
          ref: "an old look"
        )
      end
      db.disconnect
      fresh = Store::Database.open(path)
      kept = Store::Names.new(fresh).facts("a.example")
      assert_equal [%w[clientHold], Time.at(1_803_888_000).utc, "an old look", Time.at(99).utc],
                   [kept.statuses, kept[:expires_at], kept.all.first.ref, kept.all.first.seen_at]
      assert_operator Store::Names.new(fresh).marks.first, :>=, 1
      fresh.disconnect
    end
  end
end
