# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # One small object a rule, found by id; their texts and numbers are rows of config/rulebook/rules.yml.
      module Rules
        DAY = 86_400
        ALWAYS = -Float::INFINITY
        EVER = Float::INFINITY

        # needs: the facts without which it can't judge; rests_on: rules that are judged before it;
        # asked: (circumstances) → does it concern this name and destination at all?
        # spans: (facts, entry, circumstances) → [[from, to, effect or nil, values]] or nil. A nil effect is the entry's own.
        Rule = Struct.new(:needs, :rests_on, :asked, :spans) do
          def self.of(*needs, rests_on: [], asked: nil, &spans) = new(needs, rests_on, asked, spans).freeze
        end

        # Holds at any time, for all that is known.
        def self.standing(values = {}, effect: nil) = [[ALWAYS, EVER, effect, values]]

        # Not known from an instant on: which facts lack.
        def self.unknown(from, to, *lacks) = [from, to, "unknown", { lacks: lacks }]

        # {id => Rule}, all of them, those that rest on others last.
        def self.all
          @all ||= [Holds, Blocks, Deadlines, Persons, Codes, Places].map { |m| m::RULES }.reduce(:merge)
                                                                     .partition { |_, r| r.rests_on.empty? }.reduce(:+).to_h.freeze
        end
      end
    end
  end
end
