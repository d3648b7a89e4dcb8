# frozen_string_literal: true

module SteadyMove
  module Core
    module Imports
      # Reads a column of prices: “9.90 EUR”, “EUR 9,90”, “€ 1.250,00”, “12”.
      module Prices
        PARTS =
          /\A(?<before>\p{Sc}|[A-Za-z]{3})?\s*(?<sum>\d[\d.,'’\s]*)\s*(?<after>\p{Sc}|[A-Za-z]{3})?
                 (?:\s*(?:\/|per\s|p\.)\s*(?:a|y|yr|year|annum)\.?)?\z/xi
        # Signs of one currency alone; a dollar or a yen may be of several countries.
        SIGNS = { "€" => "EUR", "£" => "GBP", "₹" => "INR", "₩" => "KRW", "₺" => "TRY" }.freeze

        module_function

        # cells: [text]; settled: Cells::Settled. A lone sign before three figures (“1.250”) parts
        # thousands or decimals, as the other cells of the column have it; where none tells, or no
        # currency is said, it is a question. Returns Cells::Column of Money::Amounts.
        #   Imports::Prices.read(["1.250,00 EUR"], Imports::Cells::Settled.new).read.first.to_s
        #     # => "1250.00 EUR"
        #   Imports::Prices.read(["9.90"], Imports::Cells::Settled.new).question # => :currency
        def read(cells, settled)
          parts = cells.filter_map { |cell| PARTS.match(cell.to_s.strip) }
          decimal = settled.decimal || evidence(parts.map { |part| part[:sum].strip })
          column =
            Cells.each(cells) do |text|
              part = PARTS.match(text)
              sum = part && amount(part[:sum], decimal, currency(part, settled.currency))
              sum || Cells::Unread.new(:price)
            end
          Cells::Column.new(column.read, question(parts, decimal, settled.currency))
        end

        def question(parts, decimal, currency)
          return :decimal if decimal.nil? && parts.any? { |part| open?(part[:sum]) }

          :currency if parts.any? { |part| currency(part, currency).nil? }
        end

        def currency(part, otherwise)
          said = part[:before] || part[:after]
          return otherwise if said.nil?

          SIGNS[said] || (said.match?(/\A[A-Za-z]{3}\z/) ? said.upcase : otherwise)
        end

        # The sign before the decimals, by those sums that have both signs, or other than three
        # figures behind the last one.
        def evidence(sums)
          told = sums.reject { |sum| open?(sum) }.filter_map { |sum| sum[/[.,](?=\d*\z)/] }.uniq
          told.one? ? { "." => "point", "," => "comma" }[told.first] : nil
        end

        # One sign, three figures behind it.
        def open?(sum) = sum.strip.match?(/\A\d{1,3}[.,]\d{3}\z/)

        def amount(sum, decimal, currency)
          return unless currency

          plain = sum.gsub(/['’\s]/, "")
          mark = decimal_mark(plain, decimal)
          return if mark == :open

          whole, rest = mark ? plain.rpartition(mark).values_at(0, 2) : [plain, ""]
          digits = Money::Currency.digits(currency)
          return if rest.length > digits || !grouped?(whole)

          Money::Amount.new((whole.gsub(/\D/, "") + rest.ljust(digits, "0")).to_i, currency)
        end

        # The sign that parts off the decimals, nil where there are none.
        def decimal_mark(plain, decimal)
          marks = plain.scan(/[.,]/)
          return if marks.empty?
          return marks.last if marks.uniq.size == 2
          return if marks.size > 1
          return marks.first unless open?(plain)
          return :open unless decimal

          marks.first == { "point" => ".", "comma" => "," }[decimal] ? marks.first : nil
        end

        def grouped?(whole) = whole.match?(/\A\d+\z/) || whole.match?(/\A\d{1,3}(?:[.,]\d{3})+\z/)
        private_class_method :question, :currency, :evidence, :open?
        private_class_method :amount, :decimal_mark, :grouped?
      end
    end
  end
end
