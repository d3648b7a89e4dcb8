# frozen_string_literal: true

require_relative "../test_helper"

# Half of a code is shown where it is typed, and nothing else is taken for one.
class HalfCodeTest < Minitest::Test
  # Sentences of our own, in the languages that the desk reads.
  TOLD = {
    "The second half is: 4821" => %w[4821],
    "Second half of your confirmation code: K7-204Q." => %w[K7-204Q],
    "Part 1 of 2 of the number = “88AB”" => %w[88AB],
    "The other half of the code is\n\n  55-0192  \n\nYours" => %w[55-0192],
    "The other half of the code:\n\n  55-0192  \n\nYours" => %w[55-0192],
    "First half: 1111, second half: 2222" => %w[1111 2222],
    "The second half is 4821.\n> The second half is 4821." => %w[4821],
    "Die zweite Hälfte lautet: 0317" => %w[0317],
    "La seconde partie du code est : Z9Z1" => %w[Z9Z1],
    "La segunda parte del código es 73A1" => %w[73A1],
    "De tweede helft van de code is: 6620" => %w[6620],
    "後半は：9041" => %w[9041],
    # none
    "One half of the code is printed on your invoice." => [],
    "The second half is valid until: 2027-03-09" => [],
    "The second half: 2027-03-09" => [],
    "The second half is: ••••" => [],
    "Half of it costs: see https://reg.test/7" => [],
    "Your code: 4821" => [],
    "" => []
  }.freeze

  def test_halves
    TOLD.each { |text, halves| assert_equal halves, Core::Post::HalfCode.read(text), text }
  end
end
