# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # One small object a rule. `needs`: the facts without which it can't judge;
      # `hit`: (facts, entry, at) → nil, or a Hash for the texts, with :clears_at where an instant is known.
      module Rules
        DAY = 86_400

        Rule = Struct.new(:needs, :hit)

        # Within `days` 24-hour days of the instant under `key`; the interval is half open.
        WITHIN_DAYS = lambda do |key|
          Rule.new([key], lambda do |facts, entry, at|
            from = facts[key] or return
            clears = from + (entry.params.fetch("days") * DAY)
            { clears_at: clears, since: from, days: entry.params["days"] } if at < clears
          end)
        end

        # Any of these EPP statuses stands.
        WITH_STATUS = lambda do |*statuses|
          Rule.new([:statuses], lambda do |facts, _entry, _at|
            found = facts.statuses & statuses
            { statuses: found.join(", ") } if found.any?
          end)
        end

        IN_TRANSFER = Rule.new([:statuses], lambda do |facts, _entry, _at|
          { clears_at: facts[:transfer_ends_at] } if facts.statuses.include?("pendingTransfer")
        end)

        CODE_MISSING = Rule.new([], ->(facts, _entry, _at) { {} unless facts[:code_held] })

        DNS_LEAVES = Rule.new([:zone_ends_with_account], lambda do |facts, _entry, _at|
          host = facts[:zone_ends_with_account]
          { host: host } if host
        end)

        # recent-move: a name never moved has no such instant; the creation date then proves there was none to know.
        RECENT_MOVE = Rule.new([:created_at], WITHIN_DAYS.call(:transferred_at).hit)

        ALL = {
          "new-name" => WITHIN_DAYS.call(:created_at),
          "recent-move" => RECENT_MOVE,
          "locked" => WITH_STATUS.call("clientTransferProhibited"),
          "registry-hold" => WITH_STATUS.call("serverTransferProhibited"),
          "in-transfer" => IN_TRANSFER,
          "code-missing" => CODE_MISSING,
          "dns-leaves" => DNS_LEAVES
        }.freeze
      end
    end
  end
end
