# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # All facts about one name; several sources may speak of the same key.
      class Facts
        LATEST = ->(values) { values.compact.max }
        # Of instants on the earliest day, the one whose source ranks first: one that is noted by
        # its day is no other.
        SAME_DAY = ->(values) { values.find { |t| t.to_i / 86_400 == values.min.to_i / 86_400 } }
        # Where sources differ, the more cautious value rules: what each key's "more cautious"
        # means.
        CAUTIOUS = {
          statuses: ->(values) do
            values.flatten.uniq.then { |all| all.size > 1 ? all - ["ok"] : all }
          end,
          created_at: LATEST,
          transferred_at: LATEST,
          registrant_changed_at: LATEST,
          expires_at: ->(values) { SAME_DAY.call(values.compact) },
          signed: :any?.to_proc,
          privacy: ->(values) { values.find(&:itself) || false },
          paid: ->(values) { values.include?(false) ? false : values.compact.first }
        }.freeze
        RANK = { public_record: 0, account: 1, dns: 2, desk: 3, hand: 4 }.freeze
        # Other spellings of the same thing are no contradiction.
        SAME = {
          name_servers: ->(v) { v.map(&:downcase).sort },
          statuses: :sort.to_proc,
          expires_at: ->(v) { v.to_i / 86_400 }
        }.freeze

        # Ruling values alone, without their sources: {key => value}. For judging many names.
        def self.ruled(values) = allocate.tap { |f| f.send(:rule, {}.freeze, values) }

        # The values that rule, straight from what each source says, without keeping the sources:
        # for judging many names.
        # said: {source => {key => value}}. Returns [Facts, whether any two sources contradict each
        # other].
        def self.merged(said)
          ranked = said.sort_by { |source, _| RANK.fetch(source, 9) }.map(&:last)
          return ruled(ranked.first || {}), false if ranked.size < 2

          values = ranked.first.dup
          differing = ranked.drop(1).flat_map { |each| add(values, each) }
          differing.uniq.each do |key|
            CAUTIOUS.key?(key) &&
              values[key] = CAUTIOUS[key].call(
                ranked.select { |each| each.key?(key) }.map { |each| each[key] }
              )
          end
          [ruled(values), differing.any? { |key| contradicting?(key, ranked) }]
        end

        # Adds what is new; returns the keys that differ.
        def self.add(values, said)
          said.each_with_object([]) do |(key, value), differing|
            if !values.key?(key)
              values[key] = value
            elsif values[key] != value
              differing << key
            end
          end
        end

        def self.contradicting?(key, ranked)
          ranked
            .select { |each| each.key?(key) }
            .map { |each| comparable(key, each[key]) }
            .uniq
            .size > 1
        end

        # A value as it is compared with what another source says of the same.
        def self.comparable(key, value)
          SAME.key?(key) && !value.nil? ? SAME[key].call(value) : value
        end
        private_class_method :contradicting?, :add

        def initialize(facts)
          by_key =
            facts
              .group_by(&:key)
              .transform_values { |fs| fs.sort_by { |f| RANK.fetch(f.source, 9) }.freeze }
              .freeze
          rule(by_key, by_key.to_h { |key, fs| [key, ruling(key, fs)] })
        end

        # The values that rule, by key.
        attr_reader :values

        def known?(key) = @values.key?(key)

        def known_all?(keys) = keys.all? { |key| @values.key?(key) }
        def about(key) = @by_key.fetch(key, [])
        def keys = @values.keys
        def all = @by_key.values.flatten

        # The value that rules; nil where nothing is known.
        def [](key) = @values[key]
        def statuses = @values[:statuses] || []
        # Is the transfer lock on? An Answer.
        def lock = Names::Statuses.lock(@values[:statuses])
        # Does the DNS host that serves the name outlive its registration at the account? An Answer.
        def dns_stays
          Answer.of(known?(:zone_ends_with_account) ? !self[:zone_ends_with_account] : nil)
        end

        # The same with more known by the desk itself, e.g. of a destination or a code.
        def with(**more)
          self.class.allocate.tap { |f| f.send(:rule, @by_key, @values.merge(more)) }
        end

        # Keys on which sources contradict each other.
        def contradictions
          @by_key
            .select do |key, fs|
              fs.size > 1 && fs.map { |f| self.class.comparable(key, f.value) }.uniq.size > 1
            end
            .keys
        end

        # When the oldest of the facts for these keys was seen; nil where none is known.
        def oldest(*keys) = keys.flat_map { |k| about(k) }.map(&:seen_at).compact.min

        private

        def rule(by_key, values)
          @by_key = by_key
          @values = values.freeze
          freeze
        end

        def ruling(key, facts)
          CAUTIOUS.key?(key) ? CAUTIOUS[key].call(facts.map(&:value)) : facts.first.value
        end
      end
    end
  end
end
