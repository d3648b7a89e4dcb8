# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # Blocks that an event starts and that time ends (24-hour days from the event's instant,
        # half open).
        module Blocks
          # The block of entry.params["days"] days from an instant.
          def self.after(instant, entry, effect = nil)
            days = entry.params.fetch("days")
            [[ALWAYS, instant.to_i + (days * DAY), effect, { since: instant, days: days }]]
          end

          # Days for which a grace status stands behind its event (RFC 3915 §3.1; five in common
          # practice, and a day for the registry's own).
          GRACE = 6

          # A grace status proves its event without saying when: that was no longer ago than the
          # status lasts (RFC 3915 §3.1), so the block is reckoned from when it was seen, and open
          # where nobody knows that either. own: the event's instant; where that is too long ago for
          # the status, it is of an earlier event.
          def self.proven_by(status, own:)
            lambda do |facts, entry, _|
              next unless facts.statuses.include?(status)

              seen = facts.oldest(:statuses)
              told = facts[own]
              next if told && (seen.nil? || told.to_i + (GRACE * DAY) >= seen.to_i)

              days = entry.params.fetch("days")
              ends = seen ? seen.to_i + (days * DAY) : EVER
              [[ALWAYS, ends, nil, { since: seen || SOON, days: days }]]
            end
          end

          # What is said where an instant is not known.
          SOON = "a few days ago"

          PROVEN_NEW = proven_by("addPeriod", own: :created_at)
          NEW_NAME =
            Rule.of(:created_at, without: PROVEN_NEW) do |facts, entry, about|
              PROVEN_NEW.call(facts, entry, about) ||
                (facts[:created_at] && after(facts[:created_at], entry))
            end

          # A name that was never moved has no such date; the creation date then proves that there
          # was a record to look in.
          PROVEN_MOVE = proven_by("transferPeriod", own: :transferred_at)
          MOVED =
            lambda do |facts, entry, about|
              proven = PROVEN_MOVE.call(facts, entry, about)
              moved = facts[:transferred_at]
              next proven if proven || moved.nil?

              back =
                about.destination && facts[:came_from] &&
                  facts[:came_from] == about.destination.registrar
              after(moved, entry, ("caution" if back))
            end
          # A transfer that the record tells of counts, whether or not it tells of the creation.
          RECENT_MOVE =
            Rule.of(:created_at, towards: %i[transferred_at came_from], without: MOVED, &MOVED)

          REGISTRANT_CHANGE =
            Rule.of(:registrant_changed_at) do |facts, entry, _|
              changed = facts[:registrant_changed_at]
              after(changed, entry) if changed && !facts[:change_opted_out]
            end

          RULES = {
            "new-name" => NEW_NAME,
            "recent-move" => RECENT_MOVE,
            "registrant-change" => REGISTRANT_CHANGE
          }.freeze
        end
      end
    end
  end
end
