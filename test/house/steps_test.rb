# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../practice/practice"

# One step, one place: every declaration has its act, its proofs, its words, and the practice world
# answers what it asks for; what is missing is said by name.
class StepsTest < Minitest::Test
  ROOT = SteadyMove::ROOT
  M = SteadyMove::Core::Moves
  Words = SteadyMove::Words
  STEPS = M::Steps.all
  CORE = "core/moves/steps"
  DESK = "desk/moves/steps"

  def files(folder)
    Dir[File.join(ROOT, "lib", "steady_move", folder, "*.rb")]
      .map { |f| File.basename(f, ".rb") }
      .sort
  end

  def act_file(unit) = File.join(ROOT, "lib", "steady_move", DESK, "#{unit.tr("-", "_")}.rb")
  def text?(key) = Words.catalogue.key?(:en, key)

  def test_each_step_has_one_file_in_each_room
    named = STEPS.map { |s| s.unit.tr("-", "_") }.uniq.sort
    assert_equal named, files(CORE), "declarations, each in the file of its name"
    assert_equal named, files(DESK), "acts, each in the file of its name"
    STEPS.each do |s|
      text = File.read(File.join(ROOT, "lib", "steady_move", CORE, "#{s.unit.tr("-", "_")}.rb"))
      assert_equal s.unit, text[/(?:declare\(|family )"([\w-]+)"/, 1]
    end
  end

  def test_each_act_can_do_what_its_declaration_names
    STEPS.each do |step|
      act = SteadyMove::Desk::Moves::Act.class_for(step.id)
      proofs = step.ways.values.map(&:proof).compact.uniq
      proofs.each do |p|
        assert_includes act.public_instance_methods, p, "#{step.id}: its act has no proof “#{p}”"
      end
      bare = step.ways.reject { |way, how| way == "connection" || how.proof }.any?
      needs_call = step.ways.empty? || step.ways.key?("connection") || bare
      if needs_call
        assert_includes act.public_instance_methods(false), :call, "#{step.id}: its act has no call"
      end
    end
  end

  def test_what_a_declaration_names_is_there
    ids = STEPS.map(&:id)
    assert_equal ids.uniq, ids
    assert_equal STEPS.map(&:order).uniq.size, ids.size, "two steps have one place in the order"
    STEPS.each do |step|
      assert_empty step.needs - ids, step.id
      assert_includes M::State::STAGES, step.stage, step.id
      step.undo.each { |id| assert_predicate M::Steps.find(id), :ending, step.id }
      asked = step.act && M::Channels::ALLOWED[step.act]
      assert_empty step.ways.keys - asked, step.id if asked
    end
  end

  # Literal keys of sentence(:key) and phrase("key") in the acts; a step's own stand under its id.
  def test_every_sentence_of_an_act_is_in_the_catalogue
    STEPS.each do |step|
      source = File.read(act_file(step.unit))
      own = source.scan(/sentence\(:(\w+)/).flatten + source.scan(/\? :(\w+) : :(\w+)/).flatten
      own.uniq.each do |key|
        assert text?("steps.#{step.id}.#{key}"), "#{step.id}: there are no words for :#{key}"
      end
    end
    all =
      Dir[File.join(ROOT, "lib", "**", "*.rb")].flat_map do |f|
        File
          .read(f)
          .scan(/\b(?:sentence|Words\.say|Words\.phrase)\("([a-z_]+(?:\.[\w-]+)+)"/)
          .flatten
      end
    assert_operator all.size, :>, 60
    all.uniq.each { |key| assert text?(key), "there are no words for #{key}" }
  end

  def test_each_step_is_called_something_and_says_what_a_person_does
    STEPS.each do |step|
      assert text?("steps.#{step.id}.title"), "#{step.id}: no title"
      assert text?("steps.#{step.id}.short"), "#{step.id}: no name in a word or two"
      assert text?("steps.#{step.id}.proof"), "#{step.id}: no word on what proves it"
      (step.ways.keys - %w[connection letter]).each do |way|
        assert(
          text?("steps.#{step.id}.hand") || text?("steps.#{step.id}.hand_by.#{way}"),
          "#{step.id}: no word on what is done by #{way}"
        )
      end
    end
  end

  # A key that stands twice in a file would hide the first of the two without a word.
  def test_no_key_stands_twice
    Dir[File.join(Words::FOLDER, "**", "*.yml")].each do |file|
      assert_empty twice(YAML.parse_file(file).root), file
    end
  end

  def twice(node, path = [])
    return [] unless node.is_a?(Psych::Nodes::Mapping)

    pairs = node.children.each_slice(2).map { |key, value| [path + [key.value], value] }
    paths = pairs.map(&:first)
    paths.select { |p| paths.count(p) > 1 }.uniq + pairs.flat_map { |p, value| twice(value, p) }
  end

  def test_the_catalogue_has_no_words_for_steps_that_are_not_there
    named = Words.catalogue.keys(:en).filter_map { |k| k[/\Asteps\.([\w-]+)\./, 1] }.uniq
    assert_empty named - STEPS.map(&:id)
  end

  # Whoever writes for a step is understood: each letter's line is one that the practice world's
  # support reads.
  def test_the_practice_world_understands_every_letter
    kinds = STEPS.filter_map(&:letter).uniq
    assert_empty kinds - SteadyMove::Desk::Letters::Correspondence::KINDS
    SteadyMove::Desk::Letters::Correspondence::KINDS.each do |kind|
      details = {
        "name-servers" => ["ns1.a.example"],
        "old-name-servers" => ["ns1.a.example"],
        "new-ds" => ["1 8 2 AA"],
        "old-ds" => ["1 8 2 AA"],
        "contact" => ["the email of the registrant shall be a@b.example"]
      }
      letter =
        SteadyMove::Desk::Letters::Correspondence.write(
          SteadyMove::Desk::Letters::Addressee.new(to: "a@b.example", title: "A"),
          writer: "W",
          reference: "R",
          parts: [[kind, ["n.example"], details.fetch(kind, [])]]
        )
      assert(
        Practice::FrontOffice::ASKS.keys.any? { |asks| letter.text.match?(asks) },
        "#{kind} is not understood"
      )
    end
  end

  # Whoever goes to a registrar's pages for an act finds a form for it there.
  def test_the_practice_world_has_a_counter_for_every_act_by_page
    forms = {
      "unlock" => %w[lock-off lock-on],
      "code" => %w[code],
      "name_servers" => %w[name-servers],
      "release" => %w[release],
      "push" => %w[push],
      "renew" => %w[renew],
      "papers" => %w[papers],
      "privacy" => %w[privacy-off privacy-on],
      "contacts" => %w[registrant admin],
      "lock_back" => %w[lock-on],
      "order" => %w[add pay cancel],
      "confirm" => %w[halves code-again],
      "zone" => %w[add drop],
      "zone_edit" => %w[ttl],
      "records" => %w[zone-file copy],
      "servers" => %w[open-dns]
    }
    counter =
      %w[desk shop_desk host_desk]
        .map { |f| File.read(File.join(ROOT, "practice", "counters", "#{f}.rb")) }
        .join
    acts =
      STEPS.select { |s| s.ways.key?("page") }.map(&:act).uniq -
        %w[privacy_back proof settings servers_after]
    assert_empty acts - forms.keys, "acts by page without a form at the practice counter"
    forms
      .values_at(*acts)
      .flatten
      .each { |what| assert_includes counter, %("#{what}"), "the counter has no #{what}" }
  end

  # Nothing special is known by a step's id outside its own two files.
  def test_nobody_else_asks_for_a_step_by_its_id
    ids = STEPS.map(&:id).grep(/-/).join("|")
    rooms =
      Dir[
        File.join(ROOT, "lib", "**", "*.rb"),
        File.join(ROOT, "ui", "src", "**", "*.{ts,svelte}"),
        File.join(ROOT, "practice", "desk_side", "**", "*.rb")
      ]
    rooms.reject! { |f| f.match?(%r{moves/steps/|first_shape|schema\.d\.ts}) }
    rooms.each do |f|
      asked =
        File.read(f).scan(
          /step(?:\.id|_id)?\s*={2,3}\s*['"][\w-]+['"]|(?:when|\[|done\?\()\s*["'](?:#{ids})["']/
        )
      assert_empty asked, "#{f.delete_prefix(ROOT)} knows a step by its id"
    end
  end
end
