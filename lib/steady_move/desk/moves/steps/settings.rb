# frozen_string_literal: true

module SteadyMove
  module Desk
    module Steps
      # What nobody can see from outside (auto-renew, contacts that privacy hides): a person looks and says so.
      class Settings < Act
        include OnWord

        private

        def wanted_words
          what = plan.wanted.hidden.map do |key, value|
            known = Core::Moves::Aims::CHOICES.key?(key.to_s)
            Words.phrase("aims.#{key}", value: known ? Words.phrase("aims.#{value}") : value)
          end
          { what: what }
        end
      end
    end
  end
end
