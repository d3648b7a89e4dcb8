# frozen_string_literal: true

require_relative "../test_helper"
require "tmpdir"

# A database file that is another one, or older, than the desk opened.
class WriteProbeTest < Minitest::Test
  Store = SteadyMove::Store
  SWAPS = {
    "taken away" => ->(path, _) { File.rename(path, "#{path}.gone") },
    "another put there" => ->(path, kept) { File.rename(kept, path) },
    "an older one over it" => ->(path, kept) { File.binwrite(path, File.binread(kept)) }
  }.freeze

  def test_a_swapped_database_is_noticed
    SWAPS.each do |what, swap|
      Dir.mktmpdir do |folder|
        path = File.join(folder, "desk.sqlite3")
        Store::Database.open(path).disconnect
        FileUtils.cp(path, kept = "#{path}.kept")
        seconds = 0
        probe = Store::WriteProbe.new(path, clock: -> { seconds += 10 })
        assert_equal [nil, nil], [probe.trouble, probe.trouble]
        swap.call(path, kept)
        2.times { assert_match(/taken away or swapped/, probe.trouble.to_s, what) }
        refute_path_exists path if what == "taken away"
      end
    end
  end
end
