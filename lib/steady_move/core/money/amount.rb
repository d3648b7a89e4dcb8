# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # Whole minor units with an ISO 4217 currency. Sums never cross currencies.
      Amount =
        Struct.new(:minor, :currency) do
          # row: {minor, currency} with String or Symbol keys, an Amount, or nil. Returns an Amount;
          # nil where there is none, or the sum or its currency is not known.
          #   Money::Amount.of({ "minor" => 1450, "currency" => "EUR" }).to_s # => "14.50 EUR"
          #   Money::Amount.of({ "minor" => nil, "currency" => "EUR" }) # => nil
          def self.of(row)
            return row if row.nil? || row.is_a?(self)

            minor, currency = %i[minor currency].map { |key| row[key] || row[key.to_s] }
            minor && currency ? new(minor, currency) : nil
          end

          def +(other) = same(other) { Amount.new(minor + other.minor, currency) }
          def -(other) = same(other) { Amount.new(minor - other.minor, currency) }
          def *(other) = Amount.new(minor * other, currency)
          def to_h = { minor: minor, currency: currency }
          # How it is kept in a journal or a plan.
          def to_stored = { "minor" => minor, "currency" => currency }
          #   Money::Amount.new(1450, "EUR").to_s # => "14.50 EUR"
          def to_s = "#{Currency.decimal(minor, currency)} #{currency}"

          # A share given in thousandths of a per cent, rounded half up.
          #   Money::Amount.new(1450, "EUR").share(19_000).minor # => 276
          def share(milli_percent)
            Amount.new(((minor * milli_percent) + 50_000).div(100_000), currency)
          end

          private

          def same(other)
            unless currency == other.currency
              raise ArgumentError, "#{currency} and #{other.currency} can't be summed"
            end

            yield
          end
        end
    end
  end
end
