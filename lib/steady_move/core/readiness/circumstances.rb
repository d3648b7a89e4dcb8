# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What besides the facts a rule may ask for: the name, its suffix family, where it would go (or nil), and which of
      # the rules that others rest on have hit before it.
      Circumstances = Struct.new(:name, :family, :destination, :hits) do
        # Has one of these rules hit so far?
        def hit?(*rules) = !hits.empty? && hits.intersect?(rules)
      end
    end
  end
end
