# frozen_string_literal: true

module SteadyMove
  module Core
    # A sentence by its key in the catalogue (config/words/) and the values in it; worded outside
    # the core. values: {Symbol => text, number, Time, Phrase or a list of these}.
    Phrase =
      Struct.new(:key, :values) do # rubocop:disable Lint/StructNewOverride -- a sentence's values are these
        # Shorthand: Phrase.of("steps.unlock.done", from: "…").
        def self.of(key, **values) = new(key, values).freeze
      end
  end
end
