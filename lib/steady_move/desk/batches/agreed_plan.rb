# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # A batch as a client is shown it: which names go where and on which day, what that costs, and
      # until when their contacts are public.
      class AgreedPlan
        # How long after the end that is forecast contacts may stay public (seconds).
        GRACE = 2 * 86_400

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # names: those of the batch that are meant. Returns a map that can be kept: {"names" =>
        # [{"name", "to", "at", "total" => [minor, currency], "uptime", "public_until"}], "range" =>
        # [Time]} of names that have not begun and can start, and "left_out" => [name] of those that
        # can't.
        def shown(batch, names)
          review = BatchReview.new(@ports).review(batch)
          starts = starts(review.waves)
          meant = review.rows.select { |r| names.include?(r.name) }
          able, unable = meant.partition { |r| r.startable && starts[r.name] }
          {
            "names" => able.map { |r| item(r, starts[r.name]) },
            "left_out" => unable.map(&:name),
            "range" => range(able, starts)
          }
        end

        private

        def starts(waves) = waves.flat_map { |w| w.names.map { |n| [n, w.starts_at] } }.to_h

        def range(rows, starts)
          return [] if rows.empty?

          @ports.forecasts.of_all(rows.map { |r| [r.plan, starts[r.name]] }).range
        end

        def item(row, starts)
          {
            "name" => row.name,
            "to" => @ports.accounts.find(row.to)&.title || row.to,
            "at" => starts,
            "total" => row.total && [row.total.minor, row.total.currency],
            "uptime" => Planning::InShort.new(@ports).uptime(row.plan).says,
            "public_until" => public_until(row, starts)
          }
        end

        # Two days after it should have landed in nine of ten lives; nil where nothing becomes
        # public.
        def public_until(row, starts)
          return unless row.plan.with_trait(:consent)

          @ports.forecasts.of_all([[row.plan, starts]]).p90 + GRACE
        end
      end
    end
  end
end
