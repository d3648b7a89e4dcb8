# frozen_string_literal: true

module SteadyMove
  module Core
    module Forecast
      # The triangular distribution over [least, most] with its peak at usual (textbook formulas).
      module Triangular
        module_function

        # The value below which a share p (0..1) lies. All in one unit, returned in it.
        def quantile(least, usual, most, share)
          return least.to_f if most == least

          width = (most - least).to_f
          peak = (usual - least) / width
          return least + Math.sqrt(share * width * (usual - least)) if share <= peak

          most - Math.sqrt((1 - share) * width * (most - usual))
        end

        def mean(least, usual, most) = (least + usual + most) / 3.0

        # The variance of one such duration, in seconds squared (textbook formula of the triangular distribution).
        def variance(least, usual, most)
          ((least**2) + (usual**2) + (most**2) - (least * usual) - (least * most) - (usual * most)) / 18.0
        end
      end
    end
  end
end
