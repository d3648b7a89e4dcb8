# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      # Was the move of a name ordered here, or may it have been? A link that approves a transfer is
      # offered only then.
      module Ordered
        module_function

        # names: A-label texts. Returns true where an open move of any of them has an order that was
        # begun, or is only waited for by hand.
        def any?(ports, names)
          ports = Ports.of(ports)
          names.any? do |name|
            state = ports.moves.open_for(name)&.state
            state && begun?(state)
          end
        end

        # state: Core::Moves::State.
        def begun?(state)
          orders = state.with_trait(:orders)
          return state.with_trait(:hands_over)&.done? == true if orders.nil?

          orders.done? || state.tries(orders.step.id).positive? ||
            !state.begun_at(orders.step.id).nil?
        end
      end
    end
  end
end
