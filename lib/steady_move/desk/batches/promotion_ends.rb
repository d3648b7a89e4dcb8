# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # Promotions that end before the waves which count on them: for whom, on which day, and what
      # it costs. Each name is then priced on the day on which its wave starts.
      class PromotionEnds
        # rows: [Batch::Row] as they cost now; waves: [Core::Batches::Waves::Wave].
        def initialize(ports, rows, waves)
          @ports = Ports.of(ports)
          @starts = waves.flat_map { |w| w.names.map { |n| [n, w.starts_at] } }.to_h
          @rows = rows.select { |row| row.promotion && after?(row) }
        end

        def any? = @rows.any?

        # wants: [Batch::Want]. Returns the same, each on its wave's day.
        def on_their_day(wants)
          wants.map { |want| want.dup.tap { |w| w.on = @starts[w.name] } }
        end

        # [[sentence, [name]]], one for each promotion.
        def cases
          @rows
            .group_by { |r| [r.to, r.promotion_until, r.promotion.currency] }
            .map { |(to, last, _), list| [says(to, last, list), list.map(&:name)] }
        end

        private

        # The last day counts to its end, in UTC (Core::Money::Prices).
        def after?(row)
          start = @starts[row.name]
          start && start.strftime("%Y-%m-%d") > row.promotion_until
        end

        def says(to, last, rows)
          Words.say(
            :"batches.promotion_ends",
            to: @ports.accounts.find(to).title,
            last: Date.iso8601(last).strftime("%-d %b %Y"),
            count: rows.size,
            more: Batch.add(rows.map(&:promotion)).first.to_s
          )
        end
      end
    end
  end
end
