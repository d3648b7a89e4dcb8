# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # One small object a rule, found by id; their texts and numbers are rows of
      # config/rulebook/rules.yml.
      module Rules
        DAY = 86_400
        ALWAYS = -Float::INFINITY
        EVER = Float::INFINITY

        # needs: the facts without which it can't judge; rests_on: rules that are judged before it;
        # asked: (circumstances) → does it concern this name and destination at all? towards: for a
        # rule that looks at the destination, the facts besides its needs that it asks for; nil for
        # all others.
        # without: what can be said where its needs are not known, as spans; nil where nothing can.
        # spans: (facts, entry, circumstances) → [[from, to, effect or nil, values]] or nil. A nil
        # effect is the entry's own.
        Rule =
          Struct.new(:needs, :rests_on, :asked, :towards, :without, :spans) do
            # Rule.of(:created_at) { |facts, entry, about| … }
            def self.of(*needs, rests_on: [], asked: nil, towards: nil, without: nil, &spans)
              new(needs, rests_on, asked, towards, without, spans).freeze
            end

            # Does it look at the destination?
            def towards? = !towards.nil?
          end

        # The facts that rules which look at the destination ask for.
        def self.towards_facts
          @towards_facts ||=
            (
              [:registered] + all.values.select(&:towards?).flat_map { |r| r.needs + r.towards }
            ).uniq.freeze
        end

        # Holds at any time, for all that is known.
        def self.standing(values = {}, effect: nil) = [[ALWAYS, EVER, effect, values]]

        # Not known from an instant on: which facts lack.
        def self.unknown(from, to, *lacks) = [from, to, "unknown", { lacks: lacks }]

        # {id => Rule}, all of them, those that rest on others last.
        def self.all
          @all ||=
            in_order(
              [Holds, Blocks, Deadlines, Persons, Codes, Places].map { |m| m::RULES }.reduce(:merge)
            )
        end

        def self.in_order(rules)
          rules.partition { |_, r| r.rests_on.empty? }.reduce(:+).to_h.freeze
        end
        private_class_method :in_order

        # The same with others added, while the block runs: for trying a rule out.
        def self.trying(rules)
          held = all
          @all = in_order(held.merge(rules))
          @towards_facts = nil
          yield
        ensure
          @all = held
          @towards_facts = nil
        end
      end
    end
  end
end
