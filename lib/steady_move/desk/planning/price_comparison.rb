# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # What a name costs at every destination that takes it, beside what staying costs, in the
      # years ahead.
      class PriceComparison
        YEARS = 3
        # staying: is it the present account? takes: does it take the suffix (nil where not known);
        # ahead: [Amount] after one, two, … years, empty where no price is known; converted: the
        # same in one currency, empty without rates; quote: of the first year (Core::Money::Quote),
        # nil for staying; promotion, promotion_until: code and last day.
        Row =
          Struct.new(
            :account_id,
            :title,
            :staying,
            :takes,
            :ahead,
            :converted,
            :quote,
            :promotion,
            :promotion_until,
            keyword_init: true
          )

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # name: A-label text held here; privacy: count its price. Returns [Row], staying first, the
        # others by what they cost after the last year, those without a price last; nil where the
        # name isn't held.
        def compare(name, privacy: false)
          row = @ports.names.find(name) or return
          held = Core::Names::DomainName.held(name)
          premium = @ports.names.facts(name)[:premium]
          rows =
            @ports.accounts.all.filter_map do |a|
              one(a, held, a.id == row[:account_id], privacy, premium)
            end
          rows.sort_by { |r| [r.staying ? 0 : 1, cost(r), r.title] }
        end

        private

        def one(account, name, staying, privacy, premium)
          suffixes = account.habits["suffixes"]
          takes = suffixes&.any? { |s| name.under?(s) }
          return if takes == false && !staying

          prices = premium ? Core::Money::Prices.new : account.prices_of(name.suffix)
          ahead =
            Core::Money::Quoting.ahead(
              prices,
              years: YEARS,
              moving: !staying,
              privacy: privacy,
              on: @ports.now
            )
          offer = !staying && prices.promoted?(@ports.now)
          Row.new(
            account_id: account.id,
            title: account.title,
            staying: staying,
            takes: takes,
            ahead: ahead,
            converted: converted(ahead),
            quote: staying ? nil : quoted(prices, privacy),
            promotion: (prices.promotion_code if offer),
            promotion_until: (prices.promotion_until if offer)
          )
        end

        def quoted(prices, privacy)
          Core::Money::Quoting.quote(prices, on: @ports.now, privacy: privacy)
        end

        def converted(ahead)
          rates = @ports.settings.rates or return []
          list = ahead.map { |amount| Core::Money::Conversion.convert(amount, rates) }
          list.any?(&:nil?) ? [] : list
        end

        # Without rates amounts in other currencies are not set against each other.
        def cost(row)
          last = row.converted.last || row.ahead.last
          last ? [0, last.currency, last.minor] : [1, "", 0]
        end
      end
    end
  end
end
