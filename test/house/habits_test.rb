# frozen_string_literal: true

require_relative "../test_helper"
require_relative "../../practice/practice"

# Every habit of an account is declared, worded, and asked for where it is said; and nobody asks an
# account for one that is not.
class HabitsTest < Minitest::Test
  Habits = Core::Accounts::Habits
  # What the desk itself keeps with an account: what was seen there, where things are, what it
  # learnt.
  KEPT = %w[ready where aims].freeze
  # What a DNS host has of its own (HostHabits in the contract).
  HOSTS = %w[algorithm reads_files owner_form target_dot quotes_texts].freeze

  def heads = Habits.groups.keys

  def test_each_has_a_label_and_a_word_for_every_value
    asked = Habits.all.select(&:section)
    assert_operator asked.size, :>=, 40
    asked.each do |habit|
      assert SteadyMove::Words.maybe(habit.words.to_sym), "#{habit.id} has no label"
      SteadyMove::Web::Views::AccountForm.choices(habit)
    end
    assert_equal Habits.all.map(&:id), Habits.all.map(&:id).uniq
  end

  def test_steps_that_follow_one_are_there
    Habits.all.each do |habit|
      unknown = habit.steps.to_a.reject { |id| Core::Moves::Steps.find(id) }
      assert_empty unknown, "#{habit.id}: no such step"
    end
  end

  def test_nobody_asks_for_a_habit_that_is_not_declared
    asked =
      Dir[File.join(SteadyMove::ROOT, "lib", "**", "*.rb")].flat_map do |file|
        File.read(file).scan(/habits(?:&?\.(?:fetch|dig)\(|\[)"(\w+)"/).flatten
      end
    assert_operator asked.uniq.size, :>, 20
    assert_empty asked.uniq - heads - KEPT - HOSTS
  end

  # The practice registrars' files say of a registrar what an account may have.
  def test_the_practice_registrars_have_no_others
    rows = Practice::Scenario.demo.registrars
    assert_operator rows.size, :>=, 5
    schema = JSONSchemer.schema({ "properties" => Habits.schema })
    rows.each do |id, row|
      said = (row["takes"] || {}).merge(row["knows"] || {})
      assert_empty said.keys - heads - KEPT, id
      assert_empty schema.validate(said).map { |e| e["error"] }, id
    end
  end

  def test_a_habit_of_no_kind_or_section_is_refused
    assert_raises(ArgumentError) { Habits.habit("x", :colour, "codes") }
    assert_raises(ArgumentError) { Habits.habit("x", :text, "nowhere") }
  end
end
