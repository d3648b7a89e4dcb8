# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # All facts about one name; several sources may speak of the same key.
      class Facts
        # Where sources differ, the more cautious value rules: what each key's "more cautious" means.
        CAUTIOUS = {
          statuses: ->(facts) { facts.flat_map(&:value).uniq - (facts.size > 1 ? ["ok"] : []) },
          created_at: ->(facts) { facts.map(&:value).compact.max },
          transferred_at: ->(facts) { facts.map(&:value).compact.max },
          expires_at: ->(facts) { facts.map(&:value).compact.min }
        }.freeze
        RANK = { public_record: 0, account: 1, dns: 2, desk: 3, hand: 4 }.freeze

        def initialize(facts)
          @by_key = facts.group_by(&:key).transform_values { |fs| fs.sort_by { |f| RANK.fetch(f.source, 9) }.freeze }.freeze
          freeze
        end

        def known?(key) = @by_key.key?(key)
        def about(key) = @by_key.fetch(key, [])
        def keys = @by_key.keys
        def all = @by_key.values.flatten

        # The value that rules; nil where nothing is known.
        def [](key)
          facts = about(key)
          return if facts.empty?

          CAUTIOUS.key?(key) ? CAUTIOUS[key].call(facts) : facts.first.value
        end

        def statuses = self[:statuses] || []

        # Keys on which sources contradict each other.
        def contradictions = @by_key.select { |_, fs| fs.map { |f| comparable(f.value) }.uniq.size > 1 }.keys

        # When the oldest of the facts for these keys was seen; nil where none is known.
        def oldest(*keys) = keys.flat_map { |k| about(k) }.map(&:seen_at).compact.min

        private

        def comparable(value) = value.is_a?(Array) ? value.map(&:to_s).sort : value
      end
    end
  end
end
