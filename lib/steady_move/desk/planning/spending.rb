# frozen_string_literal: true

module SteadyMove
  module Desk
    module Planning
      # How much may be started without a second person: a person's limit, for all that they start
      # within a period in whatever way, and a limit of a batch, for all of it. What can't be set
      # against a limit, because its price is not known or stands in another currency, is above it.
      class Spending
        # A person's limit holds for what they started within so long (seconds).
        PERIOD = 30 * 86_400
        # What is to be started: totals: [Amount]; unpriced: how many have no known price.
        Wanted = Struct.new(:totals, :unpriced)

        def initialize(ports)
          @ports = Ports.of(ports)
        end

        # wanted: Wanted; by: e-mail address; batch: Store::Batches::Batch, where it is one. Returns
        # [Phrase] of what is above a limit; empty where all is within.
        def above(wanted, by:, batch: nil)
          over =
            limits(by, batch).flat_map { |key, limit, spent| beyond(key, limit, spent, wanted) }
          over << Words.phrase("spending.raised", by: by) if raised_by?(batch, by)
          over
        end

        # Refuses a single move that is above its person's limit.
        def check(total, by:)
          wanted = Wanted.new([total].compact, total ? 0 : 1)
          over = above(wanted, by: by)
          raise Refused.new(:not_now, :above_limit, why: over) if over.any?
        end

        # A person's own limit: an Amount, or nil where there is none.
        def of_person(email) = Store::People.new(@ports.db).limit(email)

        # limit: an Amount, or nil for none. Nobody raises their own. Raises Refused.
        def limit_person(id, limit, by:)
          people = Store::People.new(@ports.db)
          email = people.find(id)&.fetch(:email) or raise Refused.new(:invalid, :no_person, id: id)
          if email.casecmp?(by) && raised?(of_person(email), limit)
            raise Refused.new(:not_now, :own_limit_raised)
          end

          people.set_limit(id, limit)
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

        # Is more allowed than before? Amounts or nil, which is no limit; another currency counts as
        # more.
        def raised?(before, now)
          return false if before.nil?

          now.nil? || now.currency != before.currency || now.minor > before.minor
        end

        # What a person started within the period and was not agreed to by a second one: [Amount].
        def spent_by(email, besides: nil)
          lines = @ports.journal.planned_by(email, @ports.now - PERIOD)
          moves = @ports.moves.find_all(lines.map(&:move_id)).reject { |m| came_to_nothing?(m) }
          counted = moves.to_set(&:id)
          lines
            .select { |line| counted.include?(line.move_id) && !line.data.key?("approved_by") }
            .map { |line| Core::Money::Amount.new(*line.data.values_at("total", "currency")) }
            .select(&:minor) + pledged(email, besides)
        end

        private

        # [key, Amount of the limit, [Amount] spent already].
        def limits(by, batch)
          own = of_person(by)
          all = batch && Core::Money::Amount.of(batch.settings["limit"])
          [
            (["batch", all, spent_in(batch)] if all),
            (["person", own, spent_by(by, besides: batch&.id)] if own)
          ].compact
        end

        def beyond(key, limit, spent, wanted)
          alike, other = wanted.totals.partition { |a| a.currency == limit.currency }
          [
            over(key, limit, spent, alike.sum(&:minor)),
            (says(key, "unpriced", limit, count: wanted.unpriced) if wanted.unpriced.positive?),
            *other.map { |a| says(key, "other", limit, total: a.to_s) }
          ].compact
        end

        def over(key, limit, spent, minor)
          sum = minor + spent.select { |a| a.currency == limit.currency }.sum(&:minor)
          return unless minor.positive? && sum > limit.minor

          says(key, "over", limit, total: Core::Money::Amount.new(sum, limit.currency).to_s)
        end

        # Of a batch: what its names that moved, or move, were accepted for.
        def spent_in(batch)
          begun = @ports.batches.members(batch.id).select(&:move_id)
          moves = @ports.moves.find_all(begun.map(&:move_id)).to_h { |m| [m.id, m] }
          amounts(batch, begun.reject { |m| (move = moves[m.move_id]) && came_to_nothing?(move) })
        end

        # What waits in batches that this person started, halted ones too: they can go on.
        def pledged(email, besides)
          @ports
            .batches
            .begun
            .select { |b| b.asked_by == email && b.approved_by.nil? && b.id != besides }
            .flat_map { |b| amounts(b, @ports.batches.members(b.id).select(&:waiting?)) }
        end

        def amounts(batch, members)
          accepted = batch.accepted || {}
          members
            .filter_map { |member| accepted[member.name] }
            .map { |minor, currency| Core::Money::Amount.new(minor, currency) }
        end

        # Nothing was paid for it in the end.
        def came_to_nothing?(move) = !move.open && move.state.ending != "settled"

        def raised_by?(batch, by) = !batch.nil? && batch.settings["limit_raised_by"] == by

        def says(key, what, limit, **values)
          Words.phrase("spending.#{key}_#{what}", limit: limit.to_s, **values)
        end
      end
    end
  end
end
