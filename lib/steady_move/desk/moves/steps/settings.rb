# frozen_string_literal: true

module SteadyMove
  module Desk
    module Moves
      module Steps
        # What nobody can see from outside (auto-renew, contacts that privacy hides): a person looks
        # and says so.
        class Settings < Act
          include OnWord

          private

          def wanted_words = { what: Letters::TypedValues.aims(plan) }
        end
      end
    end
  end
end
