# frozen_string_literal: true

module SteadyMove
  module Core
    module Money
      # What staying and going cost over some years, set against each other. Common practice, no
      # source.
      module Outlook
        # One way for one name. ahead: [Amount] after one, two, … years, empty where no price is
        # known; takes: true, false or nil where it is not known; why: what speaks against it
        # (:suffix, :premium, :price), or nil.
        Way =
          Struct.new(:id, :ahead, :takes, :why, keyword_init: true) do
            def usable? = takes != false && ahead.any?
          end

        module_function

        # The first year (1 for the first) after which going has cost no more than staying; nil
        # where that never comes within them, or they can't be set against each other.
        #   Money::Outlook.break_even([Money::Amount.new(9, "EUR")], [Money::Amount.new(15, "EUR")])
        #     # => 1
        def break_even(going, staying)
          return if going.empty? || staying.empty? || going.first.currency != staying.first.currency

          (0...[going.size, staying.size].min).find { |i| going[i].minor <= staying[i].minor }&.succ
        end

        # The usable way that has cost least after so many years; ways: [Way], all in one currency,
        # others are left out.
        def cheapest(ways, currency:, years:)
          fit =
            ways.select do |w|
              w.usable? && w.ahead.size >= years && w.ahead.first.currency == currency
            end
          fit.min_by { |w| [w.ahead[years - 1].minor, w.id] }
        end
      end
    end
  end
end
