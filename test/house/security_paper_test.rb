# frozen_string_literal: true

require_relative "../test_helper"

# docs/security.md: a row for each point, with a test that is there or the reason why it is not so.
class SecurityPaperTest < Minitest::Test
  PAPER = File.join(SteadyMove::ROOT, "docs", "security.md")
  TESTS = File.join(SteadyMove::ROOT, "test")
  ROW = /\A\| (?<points>[\d.,– ]+?) \| (?<asked>.+?) \| (?<here>.+?) \| (?<tested>.*?) ?\|\z/

  def text = @text ||= File.read(PAPER)

  # [[chapter, MatchData], …]
  def rows
    chapter = nil
    text.lines.filter_map do |line|
      chapter = line[/\A## (\d+) /, 1]&.to_i if line.start_with?("## ")
      row = chapter && ROW.match(line.chomp) and [chapter, row]
    end
  end

  def test_every_chapter_has_its_rows
    assert_equal (1..14).to_a, rows.map(&:first).uniq
    assert_operator rows.size, :>, 120
    rows.each { |chapter, row| assert_match(/\A#{chapter}\./, row[:points]) }
  end

  def test_no_point_stands_twice
    points = rows.flat_map { |_, row| row[:points].split(/, |–/) }
    assert_empty(points.tally.select { |_, n| n > 1 })
  end

  # A point that nothing holds says so; what is said to be so is held by a test that is there.
  def test_rows_and_tests_fit
    rows
      .map(&:last)
      .each do |row|
        tests = row[:tested].scan(%r{`([\w/]+)`}).flatten
        excused = row[:here].match?(/\*\*not so, because\*\*|\*\*—\*\*/)
        assert tests.any? || excused, "#{row[:points]}: neither a test nor a reason"
        tests.each do |file|
          path =
            ["#{file}.rb", "#{file}.test.ts"].map { |f| File.join(TESTS, f) }
              .find { |f| File.file?(f) }
          assert path, "#{row[:points]}: there is no #{file}"
          assert_match(/^  def test_|^test\(/, File.read(path), file)
        end
      end
  end

  # Everything that is tested of it is told of.
  def test_no_test_is_left_out
    files = Dir[File.join(TESTS, "security", "*_test.rb")].map { |f| File.basename(f, ".rb") }
    assert_empty(files.reject { |f| text.include?("`security/#{f}`") })
  end
end
