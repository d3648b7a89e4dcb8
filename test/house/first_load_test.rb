# frozen_string_literal: true

require_relative "../test_helper"
require "zlib"

# What a browser has to load before the first page shows: words and views of which only somebody
# who opens them has need come later. The most is our own; octets as gzip sends them (RFC 1952).
class FirstLoadTest < Minitest::Test
  PUBLIC = File.join(SteadyMove::ROOT, "public")
  MOST = 120_000

  def test_the_first_scripts
    page = File.read(File.join(PUBLIC, "index.html"))
    scripts = page.scan(%r{(?:src|href)="[^"]*?(assets/[^"]+\.js)"}).flatten.uniq
    assert_operator scripts.size, :>, 1, page
    sizes =
      scripts.to_h { |path| [path, Zlib.gzip(File.binread(File.join(PUBLIC, path))).bytesize] }
    assert_operator sizes.values.sum, :<=, MOST, sizes.inspect
  end
end
