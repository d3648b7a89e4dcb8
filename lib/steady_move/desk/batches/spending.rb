# frozen_string_literal: true

module SteadyMove
  module Desk
    module Batches
      # How much may be started without a second person: a limit of the batch, and one of the
      # person. What can't be set against a limit, because its price is not known or stands in
      # another currency, is above it.
      class Spending
        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # REVIEW: BatchReview::Review. Returns [Phrase] of what is above a limit; empty where all is
        # within.
        def above(review, batch, by)
          limits(batch, by).flat_map do |key, limit|
            over = review.total.select { |a| a.currency == limit.currency && a.minor > limit.minor }
            other = review.total.reject { |a| a.currency == limit.currency }
            [
              *over.map { |a| says(key, "over", limit, total: a.to_s) },
              *other.map { |a| says(key, "other", limit, total: a.to_s) },
              *(says(key, "unpriced", limit, count: review.unpriced) if review.unpriced.positive?)
            ]
          end
        end

        # A person's own limit: an Amount, or nil where there is none.
        def of_person(email)
          limit = Store::People.new(@ports.db).limit(email)
          limit && amount(limit)
        end

        # limit: an Amount, or nil for none. Raises Refused.
        def limit_person(id, limit, by:)
          people = Store::People.new(@ports.db)
          email = people.find(id)&.fetch(:email) or raise Refused.new(:invalid, :no_person, id: id)
          people.set_limit(id, limit&.to_h)
          @ports.journal.add(
            "people",
            at: @ports.now,
            by: by,
            says:
              Words.phrase(
                "journal.limited",
                by: by,
                email: email,
                limit: limit ? limit.to_s : Words.phrase("batches.no_limit")
              )
          )
        end

        private

        def limits(batch, by)
          {
            "batch" => batch.settings["limit"] && amount(batch.settings["limit"]),
            "person" => of_person(by)
          }.compact
        end

        def amount(row) = Core::Money::Amount.of(row)
        def says(key, what, limit, **values)
          Words.phrase("batches.above.#{key}_#{what}", limit: limit.to_s, **values)
        end
      end
    end
  end
end
