# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      module Rules
        # Blocks that an event starts and that time ends (24-hour days from the event's instant, half open).
        module Blocks
          # The block of entry.params["days"] days from an instant.
          def self.after(instant, entry, effect = nil)
            days = entry.params.fetch("days")
            [[ALWAYS, instant.to_i + (days * DAY), effect, { since: instant, days: days }]]
          end

          NEW_NAME = Rule.of(:created_at) { |facts, entry, _| facts[:created_at] && after(facts[:created_at], entry) }

          # A name that was never moved has no such date; the creation date then proves that there was a record to
          # look in.
          RECENT_MOVE = Rule.of(:created_at, towards: %i[transferred_at came_from]) do |facts, entry, about|
            moved = facts[:transferred_at] or next
            back = about.destination && facts[:came_from] && facts[:came_from] == about.destination.registrar
            after(moved, entry, ("caution" if back))
          end

          REGISTRANT_CHANGE = Rule.of(:registrant_changed_at) do |facts, entry, _|
            changed = facts[:registrant_changed_at]
            after(changed, entry) if changed && !facts[:change_opted_out]
          end

          RULES = { "new-name" => NEW_NAME, "recent-move" => RECENT_MOVE,
                    "registrant-change" => REGISTRANT_CHANGE }.freeze
        end
      end
    end
  end
end
