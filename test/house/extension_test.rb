# frozen_string_literal: true

require_relative "../test_helper"

# What is added in one place only is told by name: an option of a step that no plan sets, a wording
# for a kind of message that there is none of, a language that lies in two places, a view that no
# address leads to.
class ExtensionTest < Minitest::Test
  ROOT = SteadyMove::ROOT
  Post = Core::Post

  def code(*patterns)
    patterns
      .flat_map { |p| Dir[File.join(ROOT, p)] }
      .map { |f| File.read(f).gsub(/^\s*#.*$/, "") }
      .join("\n")
  end

  # Whoever makes a plan names its options: as a symbol, or as the key of a part that may be there.
  def test_every_option_of_a_step_can_be_set
    makers = code("lib/steady_move/desk/planning/*.rb", "lib/steady_move/core/records/carry_*.rb")
    set = makers.scan(/(?<![\w:]):(\w+)\b|\b(\w+):/).flatten.compact.uniq
    set |= makers.scan(/%i\[([^\]]*)\]/).flat_map { |words| words.first.split }
    asked = Core::Moves::Steps.all.flat_map { |s| [s.option, *s.except, s.eased&.first] }
    assert_operator asked.compact.uniq.size, :>, 20
    assert_empty asked.compact.uniq.map(&:to_s) - set
  end

  def test_every_wording_has_a_kind_and_a_sentence
    Post::Languages::ALL.each do |language|
      unknown = language.kinds.keys - Post::Lexicon::IDS
      assert_empty unknown, "#{language.id}: no such kind of message"
      said = language.kinds.values.flatten(1).map(&:last).uniq
      assert_empty(
        said.reject { |key| SteadyMove::Words.catalogue.key?(:en, "post.says.#{key}") },
        language.id
      )
    end
  end

  def test_every_language_says_how_things_end
    Post::Languages::ALL.each do |language|
      lacking = %i[kinds ended passed approve decline codes leads].select { |m| language[m].nil? }
      assert_empty lacking, language.id
    end
    files = Dir[File.join(ROOT, "lib/steady_move/core/post/languages/*.rb")]
    assert_equal files.map { |f| File.basename(f, ".rb") }.sort, Post::Languages::ALL.map(&:id).sort
  end

  # Every folder of views is led to by an address, and every view of the bar has one.
  def test_every_view_has_an_address
    router = File.read(File.join(ROOT, "ui/src/router.ts"))
    named = router.scan(%r{\./views/([\w/]+)\.svelte}).flatten
    named.each { |v| assert_path_exists File.join(ROOT, "ui/src/views/#{v}.svelte") }
    folders = Dir[File.join(ROOT, "ui/src/views/*/")].map { |d| File.basename(d) }
    unled = folders - named.map { |v| v.split("/").first }
    shown = code("ui/src/App.svelte", "ui/src/views/**/*.svelte")
    assert_empty(unled.reject { |folder| shown.match?(%r{views/#{folder}/|\.\./#{folder}/}) })
    bar = File.read(File.join(ROOT, "ui/src/lib/views.ts")).scan(/path: '([^']+)'/).flatten
    assert_operator bar.size, :>=, 10
    assert_empty(bar.reject { |path| router.include?("'#{path}'") })
  end

  # One more act on a move: its condition, its operation, its word in the contract.
  def test_each_act_of_a_move_has_a_condition_an_operation_and_a_word
    ids = SteadyMove::Core::Moves::ActsNow::IDS
    acts = SteadyMove::Web::Views::MoveView::ACTS
    contract = SteadyMove::Web::Contract.new
    sheet = JSON.parse(contract.json).dig("components", "schemas", "MoveSheet", "allOf", 1)
    assert_equal ids, acts.keys
    assert_equal ids.map(&:to_s), sheet.dig("properties", "acts", "items", "enum")
    assert_empty acts.values - contract.operations.map(&:id)
    there = SteadyMove::Core::Moves::ActsNow.allocate
    assert_empty ids.reject { |id| there.respond_to?(:"#{id}?", true) }, "acts without a condition"
  end
end
