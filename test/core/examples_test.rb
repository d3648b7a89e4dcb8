# frozen_string_literal: true

require_relative "../test_helper"

# The examples in the words on core's and wire's methods: “expression # => value”, each as it says.
class ExamplesTest < Minitest::Test
  EXAMPLE = /^\s*#   (\S.*?)(?:\n\s*#    )? # => (.+)$/
  FILES = Dir[File.join(SteadyMove::ROOT, "lib", "steady_move", "{core,wire}", "**", "*.rb")]

  def test_examples_are_true
    found = FILES.flat_map { |f| File.read(f).scan(EXAMPLE).map { |asked, is| [f, asked, is] } }
    assert_operator found.size, :>=, 30
    wrong =
      found.filter_map do |file, asked, is|
        expected, given = [is, asked].map { |text| Core.module_eval(text, file) }
        "#{File.basename(file)}: #{asked} is #{given.inspect}, not #{is}" unless expected == given
      end
    assert_empty wrong
  end
end
