# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # The words in which a step is declared (core/moves/steps/). Each sets one member of Step.
      class Declaration
        def initialize(id)
          @values = {
            id: id,
            rail: "registration",
            stage: "Make ready",
            actor: "clock",
            needs: [],
            takes: Steps::MOMENTS,
            ways: {
            },
            talks_to: "desk",
            undo: [],
            adds: [],
            spares: [],
            early: false,
            ending: false,
            traits: []
          }
        end

        # The finished step; raises ArgumentError where something is missing or unknown.
        def step
          lacking = %i[order].reject { |k| @values.key?(k) }
          raise ArgumentError, "step #{@values[:id]}: #{lacking.join(", ")} missing" if lacking.any?

          Step.new(**@values, ways: @values[:ways].freeze).freeze
        end

        # Several steps are declared together, and have one act: under this name.
        def family(name) = set(:family, name)
        # Its place in the usual order; numbers leave room for more.
        def order(number) = set(:order, number)
        # registration or records.
        def rail(name) = set(:rail, name.to_s)
        # One of State::STAGES.
        def stage(name) = set(:stage, name)
        # yours, theirs or clock.
        def actor(name) = set(:actor, name.to_s)
        # Ids of the steps that must be done before.
        def needs(*ids) = set(:needs, ids)

        # Seconds: least, usual, most; by: which of the plan's own estimates rules over them.
        def takes(least, usual, most, by: nil)
          set(:takes, [least, usual, most].freeze) && by && set(:estimate, by.to_s)
        end

        # The plan's option without which it is left out.
        def option(name) = set(:option, name)
        # The plan's options with any of which it is left out.
        def except(*names) = set(:except, names)
        # The act whose way in the account's habits decides how it is done, and where that is.
        def act(name, at:) = set(:act, name) && set(:place, at.to_s)

        # Ways of doing that act; proof: what shows it from outside.
        def via(*ways, proof: nil, takes: nil)
          ways.each { |way| @values[:ways][way.to_s] = Step::Way.new(proof, takes).freeze }
        end

        # What a letter asks for.
        def letter(kind) = set(:letter, kind)
        # Whose connection it uses where the desk does it: losing, gaining, record, dns or desk.
        def talks_to(whom) = set(:talks_to, whom.to_s)
        # The steps that take it back after a move that didn't land.
        def undo(*ids) = set(:undo, ids)
        # With an option of the plan it needs these instead.
        def eased(option, *ids) = set(:eased, [option, ids])
        # With an option of the plan it needs these as well.
        def adds(option, *ids) = @values[:adds] += [[option, ids]]
        # With an option of the plan it doesn't need these, nor what they stand for.
        def spares(option, *ids) = @values[:spares] += [[option, ids]]
        # It begins without waiting for what its left-out needs would wait for.
        def early = set(:early, true)
        # It is there only after a move that didn't land, where a step that it takes back was begun.
        def ending = set(:ending, true)

        # What is special about it (Step::TRAITS).
        def traits(*traits)
          unknown = traits - Step::TRAITS.keys
          if unknown.any?
            raise ArgumentError, "step #{@values[:id]}: there is no trait #{unknown.join(", ")}"
          end

          set(:traits, traits)
        end

        private

        def set(key, value) = @values[key] = value
      end
    end
  end
end
