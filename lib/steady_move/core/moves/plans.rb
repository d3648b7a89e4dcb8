# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # Stored plans → Plan, whatever version wrote them. One reader a version; a reader is never
      # changed again.
      module Plans
        CURRENT = 2

        # A plan that no reader here knows.
        class Unreadable < StandardError
        end

        module_function

        # stored: Hash with String keys, as Plan#to_stored wrote it (instants as Times). Returns a
        # frozen Plan; raises Unreadable.
        def read(stored)
          case stored.fetch("version", 1)
          when 1
            FirstShape.read(stored)
          when 2
            second(stored)
          else
            raise Unreadable, "the plan was written by a newer version (#{stored["version"]})"
          end
        end

        def second(stored)
          members = stored.except("version", "steps", "endings").transform_keys(&:to_sym)
          steps, endings =
            %w[steps endings].map { |k| stored.fetch(k).map { |row| step(row) }.freeze }
          Plan.put_together(
            **members,
            options: stored["options"].map(&:to_sym),
            steps: steps,
            endings: endings
          )
        end

        # A step as the plan kept it; what is not kept is as it is declared. A step that is declared
        # no more can only be looked at.
        def step(row)
          kept = row.transform_keys(&:to_sym)
          declared =
            Steps.find(kept[:id]) ||
              Step.new(
                order: 0,
                ways: {
                },
                traits: [:waivable],
                talks_to: "desk",
                undo: [],
                adds: [],
                spares: [],
                early: false
              )
          declared.with(**kept)
        end
        private_class_method :second, :step
      end
    end
  end
end
