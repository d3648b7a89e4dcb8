# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What besides the facts a rule may ask for: the name, its suffix family, where it would go (or nil), and the
      # spans that rules before it found.
      Circumstances = Struct.new(:name, :family, :destination, :found) do
        # Has one of these rules hit so far?
        def hit?(*rules) = found.any? { |s| rules.include?(s.rule) && s.effect != "unknown" }
      end
    end
  end
end
