# frozen_string_literal: true

module SteadyMove
  module Core
    module Rehearsal
      # What goes wrong in practice, how often, and what it does to a step. Common practice, no
      # source: the shares are rounded from what the trade tells, and stand here to be changed.
      module Faults
        # mark: of the step that it befalls; ways: of these alone, nil for all; share: in so many of
        # a hundred; effect: of EFFECTS.
        Fault = Struct.new(:id, :mark, :ways, :share, :effect, keyword_init: true)
        # slow: it takes twice its longest; longest: it takes its longest; yours: a person has to
        # put it right first; anew: the step with the mark `code` has to be done once more; ends:
        # the transfer is refused.
        EFFECTS = %i[slow longest yours anew ends].freeze

        ALL = [
          Fault.new(
            id: "code-late",
            mark: :code,
            ways: %w[page mail letter],
            share: 15,
            effect: :slow
          ),
          Fault.new(id: "code-wrong", mark: :orders, share: 5, effect: :anew),
          Fault.new(id: "lock-slow", mark: :lock, share: 20, effect: :slow),
          Fault.new(id: "payment", mark: :orders, ways: %w[page], share: 6, effect: :yours),
          Fault.new(id: "nobody-approves", mark: :approval, share: 25, effect: :longest),
          Fault.new(id: "refused", mark: :approval, share: 3, effect: :ends),
          Fault.new(id: "confirmation-lost", mark: :confirms, share: 8, effect: :yours),
          Fault.new(id: "word-lost", mark: :asks_back, share: 10, effect: :yours),
          Fault.new(id: "records-differ", mark: :sheet, share: 10, effect: :yours),
          Fault.new(id: "caches-late", mark: :caches, share: 5, effect: :slow),
          Fault.new(id: "differs-at-the-end", mark: :settles, share: 8, effect: :yours)
        ].freeze

        module_function

        # The fault that befalls a step this time, or nil. chance: answers call with a number in
        # 0...1.
        def draw(step, chance)
          fit = ALL.select { |f| step.mark?(f.mark) && (f.ways.nil? || f.ways.include?(step.way)) }
          fit.find { |f| chance.call * 100 < f.share }
        end
      end
    end
  end
end
