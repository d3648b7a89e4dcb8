# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

# Fifty who write at once, in two processes' worth of handles on one file: each waits its turn, none
# is turned away.
class WritersTest < Minitest::Test
  Store = SteadyMove::Store
  AT = Time.utc(2027, 3, 1, 8)

  def setup
    @folder = Dir.mktmpdir
    @handles = Array.new(2) { Store::Database.open(File.join(@folder, "x.sqlite3")) }
  end

  def teardown
    @handles.each(&:disconnect)
    FileUtils.rm_rf(@folder)
  end

  def test_fifty_writers_at_once
    journals = @handles.map { |db| Store::Journal.new(db) }
    ready = Queue.new
    gate = Thread::Queue.new
    writers =
      Array.new(50) do |i|
        Thread.new do
          ready << i
          gate.pop
          4.times { |n| journals[i % 2].add("noted", at: AT, says: "#{i} says #{n}", by: "ada") }
          nil
        rescue Sequel::DatabaseError => e
          e
        end
      end
    50.times { ready.pop }
    50.times { gate << true }
    assert_empty writers.filter_map(&:value)
    assert_equal [200, nil], [@handles.first[:events].count, journals.first.broken_at]
  end

  # A transaction that only reads first and writes later does not lose its turn in between (it
  # begins immediate).
  def test_reading_before_writing
    db, other = @handles
    db[:stamps].insert(key: "adds", count: 0)
    adders =
      Array.new(20) do |i|
        Thread.new do
          mine = i.even? ? db : other
          mine.transaction do
            held = mine[:stamps].where(key: "adds").get(:count)
            Thread.pass
            mine[:stamps].where(key: "adds").update(count: held + 1)
          end
          nil
        rescue Sequel::DatabaseError => e
          e
        end
      end
    assert_empty adders.filter_map(&:value)
    assert_equal 20, db[:stamps].where(key: "adds").get(:count)
  end
end
