# frozen_string_literal: true

module SteadyMove
  module Core
    module Moves
      # All steps, one file each, in their usual order. Durations: rules of the job §5, common
      # practice; the wait for caches and others are estimated per plan.
      module Steps
        MINUTE = 60
        HOUR = 3600
        DAY = 86_400
        MOMENTS = [5, 30, 5 * MINUTE].freeze
        # Until what a person did on a registrar's page shows from outside.
        SHOWS = [MINUTE, 15 * MINUTE, HOUR].freeze
        # Until an order shows from outside: a mail, or the registry.
        REACHES = [5 * MINUTE, 15 * MINUTE, DAY].freeze
        # What a registrar does on a letter: a lock or a code that was asked for is due within five
        # days.
        LETTER = [HOUR, DAY, 5 * DAY].freeze

        module_function

        # Every declared step in the usual order.
        def all
          declared = constants.map { |c| const_get(c) }
          (declared + declared.grep(Array).flatten(1)).grep(Step).sort_by(&:order)
        end

        def find(id) = all.find { |s| s.id == id }

        # The steps of a plan. options: [Symbol]; ways: {act => way}; estimates: {name => [least,
        # usual, most], nil where the step's own holds}. Needs on left-out steps pass on to what
        # those needed, except for a step that is to be done early.
        # Returns [[Step], [Step of an ending]].
        def resolve(options, ways, estimates)
          by_id = all.to_h { |s| [s.id, eased(s, options)] }
          endings, kept = by_id.values.select { |s| there?(s, options) }.partition(&:ending)
          ids = kept.map(&:id)
          kept =
            kept.map do |s|
              own(s, s.early ? s.needs & ids : inherit(s.needs, ids, by_id), ways, estimates)
            end
          [in_turn(kept), endings.map { |s| own(s, s.needs, ways, estimates) }]
        end

        # Each after what it needs, else in the usual order. Raises ArgumentError for steps that
        # wait for each other.
        def in_turn(steps)
          left = steps
          turn = []
          until left.empty?
            waiting = left.map(&:id)
            free = left.find { |s| !s.needs.intersect?(waiting) }
            raise ArgumentError, "steps wait for each other: #{waiting.join(", ")}" unless free

            turn << free
            left -= [free]
          end
          turn
        end

        def there?(step, options)
          (step.option.nil? || options.include?(step.option)) &&
            (step.except.nil? || !options.intersect?(step.except))
        end

        def eased(step, options)
          option, needs = step.eased
          needs = step.needs unless option && options.include?(option)
          step.with(needs: (needs - of(step.spares, options)) | of(step.adds, options))
        end

        def of(changes, options)
          changes.flat_map { |option, ids| options.include?(option) ? ids : [] }
        end

        # One step with a plan's own needs, way, duration and actor.
        def own(step, needs, ways, estimates)
          chosen = step.with(needs: needs, way: way(step, ways))
          chosen.with(takes: takes(chosen, estimates), actor: actor(chosen))
        end

        def actor(step)
          return "clock" if step.by_time?

          step.by_hand? && step.actor == "clock" ? "yours" : step.actor
        end

        def way(step, ways)
          return unless step.act

          given = ways.fetch(step.act, "connection")
          step.ways.key?(given) ? given : step.ways.keys.first
        end

        def takes(step, estimates)
          mine = step.ways[step.way]&.takes || step.takes
          given = step.estimate && estimates[step.estimate]
          given ? mine.zip(given).map { |usual, better| better || usual }.freeze : mine
        end

        def inherit(needs, kept, by_id)
          needs
            .flat_map do |id|
              kept.include?(id) ? [id] : inherit(by_id.fetch(id).needs, kept, by_id)
            end
            .uniq
        end
        private_class_method :own, :actor, :there?, :eased, :of, :way, :takes, :inherit
      end
    end
  end
end
