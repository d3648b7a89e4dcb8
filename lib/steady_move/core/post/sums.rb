# frozen_string_literal: true

module SteadyMove
  module Core
    module Post
      # What a receipt says of money: the sum, the number of the order, and whether it is paid back.
      # Common practice, no source.
      module Sums
        # amount: Money::Amount, nil where none stands there or its currency isn't certain; number:
        # text or nil; refund: is it paid back?
        Sum = Struct.new(:amount, :number, :refund, keyword_init: true)
        SIGNS = { "€" => "EUR", "£" => "GBP", "zł" => "PLN" }.freeze
        CODES = %w[EUR GBP USD CHF PLN CZK SEK NOK DKK HUF RON JPY CAD AUD NZD KWD].freeze
        CURRENCY = /(?<![A-Z])(?:#{CODES.join("|")})(?![A-Z])|€|£|zł/
        NUMBER = /\d{1,3}(?:[.,' \u00A0\u202F]\d{3})+(?:[.,]\d{1,3})?|\d+(?:[.,]\d{1,3})?/
        SUM =
          /(?<before>#{CURRENCY})\s?(?<first>#{NUMBER})|(?<last>#{NUMBER})\s?(?<after>#{CURRENCY})/
        # The nearer to the end of this list, the surer that it is the whole.
        LABELS = [
          /\b(?:net|subtotal|vat|tax|zwischensumme|netto|mwst)\b/i,
          /\b(?:price|amount|fee|betrag|preis|importe|importo|montant|bedrag|valor|kwota|金額)\b/i,
          /\b(?:paid|charged|received|refunded|credited|bezahlt|berechnet|payé|pagado|pagato|
            betaald|pago|
            zapłacono)\b/xi,
          /\b(?:total|gesamt\w*|summe|totale|totaal|razem|suma|合計)\b/i
        ].freeze
        ORDER =
          /\b(?:order|invoice|receipt|payment|transaction|bestell\w*|auftrags?\w*|rechnungs?\w*|
            commande|facture|
          pedido|factura|ordine|fattura|bestelling|factuur|encomenda|fatura|zamówieni\w*|faktur\w*)
          (?:\s+(?:number|no|nr|id|ref|reference|n°|nº|numer|numéro|número))?[.:]?\s*\#?\s*
          (?<number>(?=[A-Z0-9-]*\d)[A-Z0-9][A-Z0-9-]{2,30})\b/xi
        REFUND =
          /\b(?:refund\w*|credited|credit\ note|erstatt\w*|gutgeschrieben|gutschrift|rembours\w*|
            rimbors\w*|
          reembols\w*|terugbetaa?l\w*|zwrot\w*)\b/xi

        module_function

        # text: of a message, not longer than Bounds allow. Returns Sum.
        #   Post::Sums.find("Total: EUR 9.02, order A-1042").amount.minor # => 902
        #   Post::Sums.find("Total: EUR 9.02, order A-1042").number # => "A-1042"
        def find(text)
          lines = text.lines.first(400)
          Sum.new(amount: amount(lines), number: text[ORDER, :number], refund: text.match?(REFUND))
        end

        # A number as people write it → minor units. The last sign parts the decimals where no more
        # digits follow it than the currency has.
        #   Post::Sums.minor("1.234,50", "EUR") # => 123450
        #   Post::Sums.minor("1,234", "EUR") # => 123400
        #   Post::Sums.minor("12.5", "EUR") # => 1250
        def minor(text, currency)
          places = Money::Currency.digits(currency)
          whole, sign, part = text.rpartition(/[.,]/)
          decimal = sign != "" && part.size.between?(1, places)
          digits = (decimal ? whole : text).gsub(/\D/, "")
          (digits.to_i * (10**places)) + (decimal ? part.ljust(places, "0").to_i : 0)
        end

        def amount(lines)
          sums =
            lines.each_with_index.flat_map do |line, i|
              line
                .to_enum(:scan, SUM)
                .map { [rank(line, Regexp.last_match.begin(0)), i, read(Regexp.last_match)] }
            end
          sums.max_by { |rank, i, _| [rank, i] }&.last
        end

        # The label that stands before it in its line decides.
        def rank(line, place) = LABELS.rindex { |label| line[0...place].match?(label) } || -1

        def read(match)
          currency = match[:before] || match[:after]
          currency = SIGNS.fetch(currency, currency)
          Money::Amount.new(minor(match[:first] || match[:last], currency), currency)
        end
        private_class_method :amount, :rank, :read
      end
    end
  end
end
