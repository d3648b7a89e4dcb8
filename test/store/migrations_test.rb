# frozen_string_literal: true

require_relative "../test_helper"
require "json"
require "tmpdir"

# Databases of earlier versions, step by step: what they held is held afterwards, in its new form.
class MigrationsTest < Minitest::Test
  Store = SteadyMove::Store

  def setup
    @folder = Dir.mktmpdir
    @db = Store::Database.send(:connect, File.join(@folder, "desk.sqlite3"))
    Sequel.extension(:migration)
  end

  def teardown
    @db.disconnect
    FileUtils.rm_rf(@folder)
  end

  def to(version) = Sequel::Migrator.run(@db, Store::Database::MIGRATIONS, target: version)

  TEXTS = [
    "The authorization code of kelp.example is Kd7-vQ2x9Lm4.",
    "Your account was renewed."
  ].freeze

  # [source, settled at] => [shown, state]: a transfer of which only a mail told was not seen.
  STRAYS = {
    ["mail", nil] => [false, "open"],
    ["record", nil] => [true, "open"],
    ["poll", 77] => [true, "over"]
  }.freeze

  # Which codes an account takes: as somebody wrote it before, and as it is told now; nil where that
  # can't be told.
  FORMS = {
    '\A[A-Z\d]{6,16}\z' => "6-16 A-Z 0-9",
    '\A[a-z\-_]{8,32}\z' => "8-32 a-z - _",
    '\A[^"]{6,16}\z' => nil,
    '\A[\w]{6,16}\z' => nil,
    '\A(a|aa)+\z' => nil,
    "(" => nil,
    nil => nil
  }.freeze

  # One step after the other, each once: what was there before it, and what is there afterwards.
  def test_step_by_step
    STEPS.each do |version, (before, after)|
      to(version - 1)
      send(before)
      to(version)
      send(after)
    end
  end

  STEPS = {
    7 => %i[texts_with_codes codes_out_of_sight],
    15 => %i[transfers_nobody_ordered transfers_with_states],
    16 => %i[forms_as_patterns forms_as_signs]
  }.freeze

  private

  def texts_with_codes
    TEXTS.each_with_index do |text, i|
      row = { uid: i, message_id: "m#{i}", subject: "", text: text, names: "[]", kind: "code" }
      @db[:messages].insert(doubtful: i.positive?, **row)
    end
  end

  # Other texts stay as they were.
  def codes_out_of_sight
    kept = @db[:messages].order(:uid).select_map(%i[text trust])
    refute_includes kept.first.first, "Kd7-vQ2x9Lm4"
    assert_equal ["proven", [TEXTS.last, "doubtful"]], [kept.first.last, kept.last]
  end

  def transfers_nobody_ordered
    STRAYS.each_key.with_index do |(source, settled_at), i|
      row = { name: "n#{i}.example", account_id: "quay", source: source, because: "seen" }
      settled = settled_at && "the owner"
      @db[:strays].insert(seen_at: 5, settled: settled, settled_at: settled_at, **row)
    end
  end

  def transfers_with_states
    rows = @db[:strays].order(:name).select_map(%i[shown state ended_at])
    assert_equal STRAYS.map { |(_, at), found| [*found, at] }, rows
  end

  def forms_as_patterns
    FORMS.each_key.with_index do |form, i|
      habits = JSON.generate({ "site" => "s", "takes_codes" => form }.compact)
      row = { title: "a#{i}", registrar: "r", kind: "by_hand" }
      @db[:accounts].insert(id: "a#{i}", habits: habits, **row)
    end
  end

  def forms_as_signs
    kept = @db[:accounts].order(:id).select_map(:habits).map { |text| JSON.parse(text) }
    assert_equal(FORMS.values, kept.map { |habits| habits["takes_codes"] })
    assert_equal %w[s], kept.map { |habits| habits["site"] }.uniq
    FORMS.values.compact.each { |text| refute_nil SteadyMove::Core::Codes::Accepted.read(text) }
  end
end
