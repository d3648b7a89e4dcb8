# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What one move costs: fee with its added year − promotion + per-transaction fee + privacy +
      # tax, against the price to stay. All members are Amounts, nil where it is not known; privacy
      # is nil where none is wanted, too. without: what nobody named a price of: :privacy is wanted
      # and not in the total, :stay_privacy would be needed for staying. Common practice, no source.
      Quote =
        Struct.new(
          :fee,
          :promotion,
          :per_transaction,
          :privacy,
          :tax,
          :stay,
          :without,
          keyword_init: true
        ) do
          def total = fee && [fee - promotion + per_transaction, privacy, tax].compact.reduce(:+)
          # nil where either price is not known, or they stand in different currencies.
          def saves = stay && total && (stay - total)
        end
    end
  end
end
