# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../support/signed_in"

# Nothing that happens often reads a whole table: what the database plans for every statement of a
# move's way and of the lists (SQLite, EXPLAIN QUERY PLAN).
class HotPathsTest < Minitest::Test
  include SignedIn

  TABLES = "events|moves|letters|messages|codes|looks"
  # Indexes that hold only the few rows that are asked for.
  PARTIAL = "moves_last|letters_open|looks_held|codes_of_name|codes_proposed"
  # Read from its newest end and no further than its LIMIT.
  NEWEST =
    /\ASELECT [^()]*? FROM `\w+` (?:WHERE \(1 = 1\) )?ORDER BY [^()]*(?:\([^()]*\))?[^()]* LIMIT \d+\z/
  SCAN = /\ASCAN (?:#{TABLES})\b(?!.*INDEX (?:#{PARTIAL}))/
  # Asks for nothing.
  NOTHING = /WHERE \(1 = 0\)/
  LISTS = %w[
    /api/desk
    /api/moves
    /api/moves?turn=yours
    /api/moves?account=tarnbeck
    /api/moves/1
    /api/hands
    /api/post
    /api/post?kinds=code
    /api/journal
    /api/journal?name=nightboat-saltern.example
    /api/names
    /api/names/nightboat-saltern.example
    /api/letters
    /api/codes
  ].freeze

  # Collects statements as the database gets them.
  class Listener
    attr_reader :statements

    def initialize = @statements = Set.new
    %i[debug info warn error].each { |level| define_method(level) { |line| hear(line) } }

    def hear(line)
      sql = line.sub(/\A\([\d.]+s\) /, "").sub(/\APREPARE \w+: /, "")
      @statements << sql if sql.match?(/\A(?:SELECT|UPDATE|DELETE)/)
    end
  end

  def listening
    listener = Listener.new
    world.app.db.loggers << listener
    yield
    listener.statements
  ensure
    world.app.db.loggers.clear
  end

  def plan_of(sql) = world.app.db.fetch("EXPLAIN QUERY PLAN #{sql}").map(:detail)

  def test_no_table_is_scanned
    sign_in
    statements =
      listening do
        world.start("nightboat-saltern.example", to: "orlop")
        6.times { world.driver.move_on }
        LISTS.each { |path| assert_includes [200, 404], get(path).status, path }
      end
    assert_operator statements.size, :>, 60
    asked =
      statements
        .grep_v(NOTHING)
        .reject { |sql| sql.match?(NEWEST) && plan_of(sql).grep(/TEMP B-TREE/).empty? }
    scans = asked.flat_map { |sql| plan_of(sql).grep(SCAN).map { |plan| [plan, sql] } }
    assert_empty(scans.map { |plan, sql| "#{plan}: #{sql}" })
  end
end
