# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # How many digits a currency's minor unit has (ISO 4217, the column “minor unit”; from
      # memory). Two, where none of the others is named.
      module Currency
        NONE = %w[BIF CLP DJF GNF ISK JPY KMF KRW PYG RWF UGX UYI VND VUV XAF XOF XPF].freeze
        THREE = %w[BHD IQD JOD KWD LYD OMR TND].freeze
        FOUR = %w[CLF UYW].freeze

        module_function

        # code: three letters. Returns a count of digits.
        #   Money::Currency.digits("EUR") # => 2
        #   Money::Currency.digits("JPY") # => 0
        #   Money::Currency.digits("KWD") # => 3
        def digits(code)
          return 0 if NONE.include?(code)
          return 3 if THREE.include?(code)

          FOUR.include?(code) ? 4 : 2
        end

        # minor: whole minor units. Returns the amount as a decimal number, with a point and without
        # the currency.
        #   Money::Currency.decimal(1450, "EUR") # => "14.50"
        #   Money::Currency.decimal(1450, "JPY") # => "1450"
        #   Money::Currency.decimal(5, "KWD") # => "0.005"
        def decimal(minor, code)
          digits = digits(code)
          whole, rest = minor.abs.divmod(10**digits)
          text = digits.zero? ? whole.to_s : format("%d.%0#{digits}d", whole, rest)
          minor.negative? ? "-#{text}" : text
        end
      end
    end
  end
end
