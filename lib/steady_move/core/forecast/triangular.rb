# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # The triangular distribution over [least, most] with its peak at usual (textbook formulas).
      module Triangular
        module_function

        # The value below which a share p (0..1) lies. All in one unit, returned in it.
        #   Forecast::Triangular.quantile(0, 1, 2, 0.5) # => 1.0
        def quantile(least, usual, most, share)
          return least.to_f if most == least

          width = (most - least).to_f
          peak = (usual - least) / width
          return least + Math.sqrt(share * width * (usual - least)) if share <= peak

          most - Math.sqrt((1 - share) * width * (most - usual))
        end
      end
    end
  end
end
