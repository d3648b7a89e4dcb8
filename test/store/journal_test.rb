# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

class JournalTest < Minitest::Test
  AT = Time.utc(2027, 3, 1)

  def setup
    @folder = Dir.mktmpdir
    @db = SteadyMove::Store::Database.open(File.join(@folder, "t.sqlite3"))
    @journal = SteadyMove::Store::Journal.new(@db)
  end

  def teardown
    @db.disconnect
    FileUtils.rm_rf(@folder)
  end

  def test_it_is_only_added_to
    @journal.add(
      "taken-in",
      at: AT,
      says: "x",
      by: "ada",
      name: "ferry.example",
      data: {
        "at" => AT
      }
    )
    assert_raises(Sequel::DatabaseError) { @db[:events].update(says: "y") }
    assert_raises(Sequel::DatabaseError) { @db[:events].delete }
    assert_equal([AT], @journal.page(name: "ferry.example").map { |e| e.data["at"] })
  end

  def test_a_line_changed_behind_its_back_is_found
    3.times { |i| @journal.add("taken-in", at: AT, says: "line #{i}", by: "ada") }
    assert_nil @journal.broken_at
    @db.run("DROP TRIGGER events_no_update")
    @db[:events].where(seq: 2).update(says: "another")
    assert_equal 2, @journal.broken_at
  end

  def test_many_threads_write_and_none_fails
    threads =
      Array.new(8) do |t|
        Thread.new do
          50.times { |i| @journal.add("taken-in", at: AT, says: "#{t} #{i}", by: "ada") }
        end
      end
    threads.each(&:join)
    assert_equal 400, @db[:events].count
    assert_nil @journal.broken_at
  end

  def test_a_step_is_taken_by_one_runner_only
    @db[:looks].insert(move_id: 1, step: "order", due_at: AT.to_i, set_at: AT.to_i)
    schedule = SteadyMove::Store::Schedule.new(@db)
    taken =
      Array
        .new(8) { |i| Thread.new { schedule.take(1, "order", now: AT, holder: "runner #{i}") } }
        .map(&:value)
    assert_equal 1, taken.count(true)
    refute schedule.take(1, "order", now: AT + 60, holder: "another")
    assert schedule.take(1, "order", now: AT + 121, holder: "another"),
           "a holder that died is relieved"
    schedule.look_again(1, "order", at: AT + 600, now: AT + 121)
    refute schedule.take(1, "order", now: AT + 599, holder: "another"), "it is not due yet"
  end

  def test_secrets_are_sealed_with_a_key_outside_the_database
    safe = SteadyMove::Store::Safe.at(key = File.join(@folder, "key"))
    codes = SteadyMove::Store::Codes.new(@db, safe)
    codes.put(1, "ferry.example", code = "Qw8!kz2p,\"x ", at: AT)
    assert_equal code, SteadyMove::Store::Codes.new(@db, SteadyMove::Store::Safe.at(key)).of_move(1)
    assert_equal "600", File.stat(key).mode.to_s(8)[-3..]
    refute_includes Dir[File.join(@folder, "t.sqlite3*")].map { |f| File.binread(f) }.join,
                    "Qw8!kz2p"
    codes.wipe_of_move(1)
    assert_nil codes.of_move(1)
    assert_equal "wiped", codes.state_of(1)
  end

  def test_a_damaged_or_newer_file_is_refused_in_one_line
    File.write(
      bad = File.join(@folder, "bad.sqlite3"),
      "not a database at all, but long enough to be read as one" * 20
    )
    assert_match(
      /\A[^\n]*no whole database[^\n]*\z/,
      assert_raises(SteadyMove::Store::Database::Unusable) do
        SteadyMove::Store::Database.open(bad)
      end.message
    )
    @db[:schema_info].update(version: 99)
    error =
      assert_raises(SteadyMove::Store::Database::Unusable) do
        SteadyMove::Store::Database.open(File.join(@folder, "t.sqlite3"))
      end
    assert_includes error.message, "newer version"
  end
end
