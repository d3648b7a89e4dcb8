# frozen_string_literal: true

require_relative "../test_helper"
require "zlib"

# What a browser has to load before the first page shows: words and views of which only somebody
# who opens them has need come later. The most is our own; octets as gzip sends them (RFC 1952).
class FirstLoadTest < Minitest::Test
  PUBLIC = File.join(SteadyMove::ROOT, "public")
  MOST = 80_000

  # The two views that most people see first, with what is their own.
  def test_the_first_scripts
    %w[/ /names].each do |path|
      files = files_of("index.html", SteadyMove::Web::Pages::PARTS.fetch(path)).grep(/js\z/)
      assert_operator files.size, :>, 1, path
      sizes = files.to_h { |f| [f, Zlib.gzip(File.binread(File.join(PUBLIC, f))).bytesize] }
      assert_operator sizes.values.sum, :<=, MOST, "#{path} #{sizes}"
    end
  end

  # Over a slow line every file waits for its turn (browsers ask a server for six at once), and two
  # that need each other begin in an order that nobody wrote (ECMA-262, cyclic module records).
  def test_few_files_and_none_that_need_each_other
    assert_operator needed(list, "index.html").size, :<=, 6
    around =
      list.keys.select do |part|
        list[part]["imports"].to_a.any? { |p| needed(list, p).include?(part) }
      end
    assert_empty around
  end

  def files_of(*parts)
    parts.flat_map { |part| needed(list, part) }.uniq.map { |part| list.dig(part, "file") }
  end

  def list = @list ||= JSON.parse(File.read(File.join(PUBLIC, "manifest.json")))

  # A part, and all that it needs before it can begin.
  def needed(list, part, found = [])
    return found if found.include?(part)

    found << part
    list[part]["imports"].to_a.each { |other| needed(list, other, found) }
    found
  end
end
