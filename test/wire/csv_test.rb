# frozen_string_literal: true

require_relative "../test_helper"
require "csv"

# Tables out and in (RFC 4180); the general csv library reads what we write.
class CsvTest < Minitest::Test
  Csv = SteadyMove::Wire::Csv

  # cell => what stands in the table: a spreadsheet takes none of them for a formula.
  CELLS = {
    "plain" => "plain",
    "=1+1" => "'=1+1",
    "+44 1632" => "'+44 1632",
    "-5" => "'-5",
    "@x" => "'@x",
    "\tx" => "'\tx",
    "a=b" => "a=b",
    nil => nil,
    7 => "7",
    "two\nlines" => "two\nlines",
    "a,\"b\"" => "a,\"b\""
  }.freeze

  def test_what_is_written
    text = Csv.write(%w[a b], CELLS.keys.map { |c| [c, "x"] })
    assert_equal(CELLS.values, CSV.parse(text, headers: true).map { |r| r["a"] })
    assert text.start_with?("a,b\r\n")
    assert(text.lines.grep(/x\r?\n\z/).all? { |l| l.end_with?("\r\n") })
  end

  # text => rows with their line numbers
  TABLES = [
    ["a,b\n1,2\n", [[1, %w[a b]], [2, %w[1 2]]]],
    ["a;b\r\n1;2,5\r\n", [[1, %w[a b]], [2, %w[1 2,5]]]],
    ["a\tb\n1\t2", [[1, %w[a b]], [2, %w[1 2]]]],
    ["\uFEFFa,b\n\n 1 , 2 \n", [[1, %w[a b]], [3, %w[1 2]]]],
    ["a,b\n\"x,\"\"y\"\"\",2\n", [[1, %w[a b]], [2, ["x,\"y\"", "2"]]]],
    ["", []]
  ].freeze

  def test_what_is_read
    TABLES.each { |text, rows| assert_equal rows, Csv.read(text), text.inspect }
    error = assert_raises(SteadyMove::Wire::Malformed) { Csv.read("a,b\n1,\"open\n") }
    assert_match(/\Aline \d: /, error.message)
    assert_raises(SteadyMove::Wire::Malformed) { Csv.read("a\n" * 5, most: 3) }
  end
end
