# frozen_string_literal: true

require_relative "../test_helper"

# Every key of a sentence, also one that code puts together at run time, stands in the catalogue.
class WordsTest < Minitest::Test
  Words = SteadyMove::Words
  Desk = SteadyMove::Desk
  STEPS = Core::Moves::Steps.all.map(&:id)

  # Pattern of the key => what is put into it at run time.
  PUT_TOGETHER = {
    "journal.left_%s" => Desk::Closing::LeftBehind::STATES,
    "left_behind.kinds.%s" => Desk::Closing::LeftBehind::KEYS,
    "journal.how_%s" => Desk::Moves::MoveCommands::ENDS,
    "outside.ended_%s" => Desk::Moves::MoveCommands::ENDS,
    "steps.%s.title" => STEPS,
    "post.kinds.%s" => Core::Post::Lexicon::ALL.map(&:id),
    "records.sources.%s" => Desk::Records::ZoneGetting::SOURCES,
    "by_hand.seen_in.%s" => %w[record mailbox dns copy code_safe transfer_query word epp],
    "by_hand.waiting_%s" => %w[said written],
    "by_hand.late_%s" => %w[said written],
    "record.%s" => %w[yes no],
    "contacts.fields.%s" => Desk::Moves::ManualSteps::SHOWN
  }.freeze
  LITERAL = /Words\.(?:say|phrase|maybe)\(\s*:?"([a-z0-9_.-]+)"/
  REFUSED = /(?:\brefuse|\binvalid|Refused\.new\(:\w+,)\s*\(?\s*:([a-z0-9_]+)/

  def known?(key) = Words.catalogue.key?(:en, key)

  # One thing has one word: those that the glossary names beside it stand in no sentence.
  def test_one_thing_has_one_word
    glossary = File.read(File.join(SteadyMove::ROOT, "docs", "guide", "glossary.md"))
    others =
      glossary.scan(/^\| [^|]+ \| ([^|]+) \|$/).flatten.drop(1).flat_map { |w| w.split(", ") }
    others -= ["not"]
    assert_operator others.size, :>, 10
    pattern = /\b(?:#{others.map { |w| Regexp.escape(w) }.join("|")})\b(?! as it is)/
    sentences =
      Dir[File.join(SteadyMove::ROOT, "{config/words,ui/src/lib}", "en", "*")].flat_map do |file|
        File.readlines(file, chomp: true).grep_v(%r{^\s*(?:#|\*|/)}).grep(pattern)
      end
    assert_empty sentences
  end

  def test_what_is_put_together_is_there
    keys = PUT_TOGETHER.flat_map { |pattern, values| values.map { |value| format(pattern, value) } }
    assert_operator keys.size, :>, 90
    assert_empty(keys.reject { |key| known?(key) })
  end

  def test_what_is_written_in_the_code_is_there
    found =
      Dir[File.join(SteadyMove::ROOT, "lib", "**", "*.rb")].flat_map do |file|
        text = File.read(file)
        text.scan(LITERAL).flatten + text.scan(REFUSED).flatten.map { |key| "refused.#{key}" }
      end
    assert_operator found.uniq.size, :>, 300
    assert_empty(found.uniq.reject { |key| known?(key) })
  end

  # A sentence with a place that is not filled raises where it is said.
  BRACKETS = /(?:[^()]|\((?:[^()]|\((?:[^()]|\([^()]*\))*\))*\))*/
  WITH_VALUES = {
    /Refused\.new\(\s*:\w+,\s*:(\w+)(#{BRACKETS})\)/m => "refused.",
    /Words\.(?:say|phrase)\(\s*:?"([\w.-]+)"(#{BRACKETS})\)/m => "",
    /Phrase\.of\(\s*"([\w.-]+)"(#{BRACKETS})\)/m => ""
  }.freeze

  def test_what_a_sentence_wants_is_given
    counted = 0
    Dir[File.join(SteadyMove::ROOT, "lib", "**", "*.rb")].each do |file|
      text = File.readlines(file).grep_v(/^\s*#/).join
      WITH_VALUES.each do |call, under|
        text.scan(call) do |key, given|
          next if given.include?("**")

          counted += 1
          assert_empty Words.catalogue.places(:en, "#{under}#{key}") -
                         given.scan(/(\w+):(?!:)/).flatten,
                       "#{file}: #{key}"
        end
      end
    end
    assert_operator counted, :>, 400
  end
  # What a step's sentences have without being given it (Common::MoveWords).
  OF_A_MOVE = %w[name from to old_host new_host service keeper renewal].freeze

  # A source that is named alone has all that it says.
  def test_what_a_source_wants_is_given
    named =
      Dir[File.join(SteadyMove::ROOT, "lib", "**", "moves", "**", "*.rb")].flat_map do |file|
        File.read(file).scan(/source: :(\w+)/).flatten.map { |key| [key, File.basename(file)] }
      end
    assert_operator named.size, :>, 60
    lacking =
      named.reject { |key, _| (Words.catalogue.places(:en, "sources.#{key}") - OF_A_MOVE).empty? }
    assert_empty lacking
  end
end
