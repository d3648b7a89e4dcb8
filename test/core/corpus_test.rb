# frozen_string_literal: true

require_relative "../test_helper"
require "yaml"

# A corpus of messages, invented for it, in nine languages, a third of them forged (test/data/mail;
# truth.yml says what is true of each). Prints what was taken for what; what must never happen is
# held at none.
class CorpusTest < Minitest::Test
  FOLDER = File.expand_path("../data/mail", __dir__)
  HELD = %w[ferry-timetable.example isles-guide.example].freeze
  KNOWN = %w[quillhaven.test lanternpost.test registry-isles.test].freeze
  SERVER = "post.harbour-office.test"
  LEAST = Hash.new(0.85).merge("en" => 0.95).freeze

  Row = Struct.new(:truth, :read, :kept)

  def self.rows
    @rows ||=
      YAML
        .load_file(File.join(FOLDER, "truth.yml"))
        .map do |truth|
          message = SteadyMove::Wire::Mail::Eml.read(File.binread(File.join(FOLDER, truth["file"])))
          held = HELD.map { |n| Core::Names::DomainName.parse(n) }
          reading = Core::Post::Reader.read(message, held: held, known: KNOWN, ids: [SERVER])
          kept =
            [message.subject, message.text].map do |text|
              Core::Post::Masking.mask(text, reading.candidates, speaks: reading.speaks)
            end
          Row.new(truth, reading, kept.join("\n"))
        end
  end

  def rows = self.class.rows

  # Files and what they were taken for, where a row is not as it should be.
  def wrong(list = rows)
    list.filter_map do |row|
      expected, found = yield row
      unless expected == found
        "#{row.truth["file"]}: #{found.inspect} instead of #{expected.inspect}"
      end
    end
  end

  def test_it_is_large_enough
    assert_operator rows.size, :>=, 250
    assert_operator(rows.count { |r| r.truth["forged"] } * 3, :>=, rows.size)
    assert_operator rows.map { |r| r.truth["lang"] }.uniq.size, :>=, 8
  end

  def test_no_forged_message_is_trusted
    assert_empty(wrong { |r| [r.truth["sender"], r.read.trust] })
    refute(rows.any? { |r| r.truth["forged"] && r.read.proven? })
    assert_empty(wrong { |r| [r.truth["link"], r.read.link] })
  end

  def test_no_code_is_wrong_and_none_stays_readable
    genuine = rows.reject { |r| r.truth["forged"] }
    assert_empty(
      wrong(genuine) { |r| [r.truth.values_at("code", "codes"), [r.read.code, r.read.codes]] }
    )
    assert_empty(wrong { |r| [[], r.truth["hidden"].select { |secret| r.kept.include?(secret) }] })
  end

  def test_no_deadline_is_wrong
    assert_empty(
      wrong { |r| [r.truth["deadline"], r.read.deadline&.strftime("%Y-%m-%dT%H:%M:%SZ")] }
    )
  end

  def test_names = assert_empty(wrong { |r| [r.truth["names"], r.read.names] })

  def test_kinds
    rows
      .group_by { |r| r.truth["lang"] }
      .each do |lang, list|
        odd = wrong(list) { |r| [r.truth["kind"], r.read.kind] }
        assert_operator odd.size, :<=, list.size * (1 - LEAST[lang]), "#{lang}: #{odd}"
      end
    puts table
  end

  # What is true (down) against what was read (across).
  def table
    kinds = rows.flat_map { |r| [r.truth["kind"], r.read.kind] }.uniq.sort
    counts = rows.map { |r| [r.truth["kind"], r.read.kind] }.tally
    width = kinds.map(&:length).max
    lines =
      kinds.map do |k|
        [k.ljust(width), *kinds.map { |o| (counts[[k, o]] || ".").to_s.rjust(4) }].join
      end
    [
      "",
      "#{rows.size} messages; true kinds down, read kinds across, in the same order:",
      *lines
    ].join("\n")
  end
end
