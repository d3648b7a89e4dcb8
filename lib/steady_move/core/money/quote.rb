# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What one move costs: fee with its added year − promotion + per-transaction fee + tax,
      # against the price to stay. All members are Amounts, nil where it is not known. Common
      # practice, no source.
      Quote =
        Struct.new(:fee, :promotion, :per_transaction, :tax, :stay, keyword_init: true) do
          def total = fee && (fee - promotion + per_transaction + tax)
          # nil where either price is not known, or they stand in different currencies.
          def saves = stay && total && (stay - total)
        end
    end
  end
end
