# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What a registrar takes for a name under one suffix. All but the last four are Amounts, nil
      # where they are not known: register, renew, transfer, privacy (a year), renew_later (a year
      # after the first), promotion and per_transaction. currency: ISO 4217; promotion_code;
      # promotion_until: its last day, YYYY-MM-DD; tax_milli_percent: thousandths of a per cent.
      class Prices < Struct.new(
        :register,
        :renew,
        :transfer,
        :privacy,
        :renew_later,
        :promotion,
        :per_transaction,
        :currency,
        :promotion_code,
        :promotion_until,
        :tax_milli_percent,
        keyword_init: true
      )
        AMOUNTS = members.first(7).freeze

        class << self
          # row: {String => minor units or text} as an account keeps it, with "currency".
          #   Money::Prices.of({ "currency" => "EUR", "renew" => 1450 }).renew.to_s # => "14.50 EUR"
          def of(row)
            given = row.slice(*members.map(&:to_s)).transform_keys(&:to_sym)
            currency = given[:currency]
            amounts = given.slice(*AMOUNTS).compact
            new(
              **given.except(*AMOUNTS),
              **(currency ? amounts.transform_values { |minor| Amount.new(minor, currency) } : {})
            ).freeze
          end

          # prices: the general row, with "suffixes" => {suffix => row}; suffix: without a leading
          # dot. Returns those that hold for it: its own row on the general one, where both are in
          # one currency.
          def for_suffix(prices, suffix)
            general = prices.except("suffixes")
            own = (prices["suffixes"] || {})[suffix] or return of(general)
            shared = own["currency"].nil? || own["currency"] == general["currency"]
            of((shared ? general : {}).merge(own))
          end
        end

        # Does the promotion still hold? on: Time, nil for any. Its last day counts to its end
        # (UTC).
        def promoted?(on)
          return false unless promotion

          promotion_until.nil? || on.nil? || on.strftime("%Y-%m-%d") <= promotion_until
        end

        # A year after the first.
        def later = renew_later || renew

        # The same, where a year is known to cost otherwise for one name. amount: Amount, or nil; in
        # another currency nothing else of them holds.
        def with_renewal(amount)
          return self unless amount

          kept = currency == amount.currency ? to_h : { currency: amount.currency }
          self.class.new(**kept, renew: amount).freeze
        end

        # One renewal with its fee and tax; nil where the amount is.
        def yearly(amount)
          net = amount && [amount, per_transaction].compact.reduce(:+)
          net && (net + net.share(tax_milli_percent || 0))
        end
      end
    end
  end
end
