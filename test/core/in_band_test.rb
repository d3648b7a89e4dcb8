# frozen_string_literal: true

require_relative "../test_helper"

# A sentence is never taken for a key, a map never for an instant: what looks like a sign is none.
class InBandTest < Minitest::Test
  Words = SteadyMove::Words
  Values = SteadyMove::Store::Values
  Phrase = SteadyMove::Core::Phrase
  NOW = Time.at(1_800_000_000).utc

  # Titles that people give, and that look like keys of the catalogue.
  TITLES = %w[orlop.example common.day steps.order.title a.b].freeze

  def test_a_title_that_looks_like_a_key_stays_what_it_is
    TITLES.each do |title|
      assert_equal title, Words.text(title)
      assert_includes Words.say(:"common.servers_of", account: title), title
      assert_raises(ArgumentError, title) { Words.say(title) }
    end
    assert_nil Words.text(nil)
    assert_equal "2 days", Words.text(Phrase.of("common.day", count: 2))
  end

  KEPT = [
    NOW,
    { "at" => 1 },
    { "at" => 1, "by" => "Pearl" },
    { "say" => "common.day", "with" => { "count" => 1 } },
    { "say" => "it", "with" => "whom" },
    { "map" => { "at" => 1 } },
    { "map" => "of the isles" },
    [{ "at" => NOW }, { "deep" => { "at" => 5 } }],
    Phrase.of("common.day", count: { "at" => 2 }),
    "{\"at\": 1}",
    nil
  ].freeze

  def test_what_is_kept_comes_back_as_what_it_was
    KEPT.each { |value| assert_equal [value], Values.load(Values.dump([value])), value.inspect }
    # as it was written before maps were wrapped
    assert_equal({ "seen" => Time.at(9).utc }, Values.load('{"seen":{"at":9}}'))
  end
end
