# frozen_string_literal: true

module SteadyMove
  module Core
    module Rehearsal
      # What goes wrong in practice, how often, and what it does to a step. Common practice, no
      # source: the shares are rounded from what the trade tells, and stand here to be changed.
      module Faults
        # trait: of the step that it befalls; ways: of these alone, nil for all; share: in so many
        # of a hundred; effect: of EFFECTS.
        Fault = Struct.new(:id, :trait, :ways, :share, :effect, keyword_init: true)
        # slow: it takes twice its longest; longest: it takes its longest; yours: a person has to
        # put it right first; anew: the step with the trait `code` has to be done once more; ends:
        # the transfer is refused.
        EFFECTS = %i[slow longest yours anew ends].freeze

        ALL = [
          Fault.new(
            id: "code-late",
            trait: :code,
            ways: %w[page mail letter],
            share: 15,
            effect: :slow
          ),
          Fault.new(id: "code-wrong", trait: :orders, share: 5, effect: :anew),
          Fault.new(id: "lock-slow", trait: :lock, share: 20, effect: :slow),
          Fault.new(id: "payment", trait: :orders, ways: %w[page], share: 6, effect: :yours),
          Fault.new(id: "nobody-approves", trait: :approval, share: 25, effect: :longest),
          Fault.new(id: "refused", trait: :approval, share: 3, effect: :ends),
          Fault.new(id: "confirmation-lost", trait: :confirms, share: 8, effect: :yours),
          Fault.new(id: "word-lost", trait: :asks_back, share: 10, effect: :yours),
          Fault.new(id: "records-differ", trait: :sheet, share: 10, effect: :yours),
          Fault.new(id: "caches-late", trait: :caches, share: 5, effect: :slow),
          Fault.new(id: "differs-at-the-end", trait: :settles, share: 8, effect: :yours)
        ].freeze

        module_function

        # The fault that befalls a step this time, or nil. chance: answers call with a number in
        # 0...1.
        def draw(step, chance)
          fit =
            ALL.select { |f| step.trait?(f.trait) && (f.ways.nil? || f.ways.include?(step.way)) }
          fit.find { |f| chance.call * 100 < f.share }
        end
      end
    end
  end
end
