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
        # asked: (circumstances) → does it concern this name and destination at all? towards: it looks at the destination.
        # spans: (facts, entry, circumstances) → [[from, to, effect or nil, values]] or nil. A nil effect is the entry's own.
        Rule = Struct.new(:needs, :rests_on, :asked, :towards, :spans) do
          def self.of(*needs, rests_on: [], asked: nil, towards: false, &spans) = new(needs, rests_on, asked, towards, spans).freeze
        end
        # The facts that rules which look at the destination ask for; of created_at only whether it is known.
        TOWARDS = %i[registered created_at transferred_at came_from privacy code_held code_rejected code_unfit_for].freeze

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
