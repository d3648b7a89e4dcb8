# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # What expiry brings with it.
        module Deadlines
          # The expiry less the year that the registry added in the auto-renew grace period; and
          # when that period ends.
          def self.grace(facts, family)
            return unless facts.statuses.include?("autoRenewPeriod")

            before = Expiry.year_before(facts[:expires_at])
            [before, before.to_i + ((family.auto_renew_grace_days || 45) * DAY)]
          end

          UNPAID =
            Rule.of(:expires_at) do |facts, _, about|
              expiry = grace(facts, about.family)&.first || facts[:expires_at]
              case facts[:paid]
              when false
                [[expiry.to_i, EVER, nil, { expires: expiry }]]
              when nil
                [Rules.unknown(expiry.to_i, EVER, :paid)]
              end
            end

          # Until it is too late; from then on that is what is said.
          NEAR_EXPIRY =
            Rule.of(:expires_at) do |facts, entry, about|
              expiry = facts[:expires_at].to_i
              days = entry.params.fetch("days")
              told = { expires: facts[:expires_at], days: days, clears: false }
              [[expiry - (days * DAY), about.family.latest_start(expiry), nil, told]]
            end

          # A person decides: renew first, or go all the same, which holds for this expiry alone.
          TOO_LATE =
            Rule.of(:expires_at) do |facts, _, about|
              expiry = facts[:expires_at]
              effect = "caution" if facts[:late_accepted] == expiry
              told = { expires: expiry, clears: false }
              [[about.family.latest_start(expiry.to_i), expiry.to_i, effect, told]]
            end

          # What comes after the expiry: renewed by itself, gone, or nobody knows.
          AFTER_EXPIRY =
            Rule.of(:expires_at) do |facts, _, _|
              expiry = facts[:expires_at].to_i
              case facts[:auto_renew]
              when false
                [[expiry, EVER, nil, { expires: facts[:expires_at] }]]
              when nil
                [Rules.unknown(expiry, EVER, :auto_renew)] if facts[:paid].nil?
              end
            end

          # Within the grace period after expiry: the losing side's year is taken back. Seen by its
          # status now, foreseen after expiry.
          GRACE_YEAR =
            Rule.of(:expires_at, :statuses) do |facts, _, about|
              days = about.family.auto_renew_grace_days || 0
              if days.zero? || about.family.years_added.to_i.zero? ||
                   facts.statuses.intersect?(Holds::GOING)
                next
              end

              expiry = facts[:expires_at].to_i
              _, ends = grace(facts, about.family)
              over = expiry + (days * DAY)
              ahead = [expiry, over, nil, { until: over }]
              ahead = nil if facts[:auto_renew] == false # nobody adds a year to it
              [ends && [ALWAYS, ends, nil, { until: ends }], ahead].compact
            end

          # expiry + years > completion + maximum, that is completion < expiry + years − maximum.
          # Completion is at the earliest the start.
          TEN_YEARS =
            Rule.of(:expires_at) do |facts, _, about|
              years = about.family.years_added
              next if years.zero?

              base = grace(facts, about.family)&.first || facts[:expires_at]
              most = about.family.max_years
              [
                [
                  ALWAYS,
                  Expiry.add_years(base, years - most).to_i,
                  nil,
                  { expires: facts[:expires_at], max: most }
                ]
              ]
            end

          RULES = {
            "unpaid" => UNPAID,
            "near-expiry" => NEAR_EXPIRY,
            "too-late" => TOO_LATE,
            "after-expiry" => AFTER_EXPIRY,
            "grace-year" => GRACE_YEAR,
            "ten-years" => TEN_YEARS
          }.freeze
        end
      end
    end
  end
end
