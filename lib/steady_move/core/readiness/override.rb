# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # A site's own word on one suffix. key: a value of the family (Family.open_values) or a rule's
      # id; value: for a family value its new one; for a rule “off”, or a number of days.
      # source: {"text", "kind", "verified", "date"}.
      Override =
        Struct.new(:suffix, :key, :value, :source, :id, keyword_init: true) do
          # The family with this word on it; raises Rulebook::Invalid where key or value make no
          # sense.
          def on(family)
            if family.lines.key?(key)
              rule(family)
            else
              family.overruled(self, key.to_sym => Checks.value(key, value))
            end
          end

          private

          def rule(family)
            return family.overruled(self, rules: family.rules - [key]) if value == "off"

            entry = family.lines[key]
            days = Checks.days(key, value, entry)
            changed =
              entry
                .dup
                .tap { |e| (e.params = e.params.merge("days" => days)) and e.source = source }
                .freeze
            family.overruled(
              self,
              lines: family.lines.merge(key => changed),
              rules: family.rules | [key]
            )
          end
        end
    end
  end
end
