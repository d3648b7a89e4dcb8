# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What besides the facts a rule may ask for: the name, its suffix family, where it would go
      # (or nil), and which of the rules that others rest on have hit before it.
      Circumstances =
        Struct.new(:name, :family, :destination, :hits) do
          # A rule that others rest on found spans.
          def hit(entry, spans)
            hits << entry.id if spans.any? { |_, _, effect, _| effect != "unknown" }
          end

          # Has one of these rules hit so far?
          def hit?(*rules) = !hits.empty? && hits.intersect?(rules)
        end
    end
  end
end
