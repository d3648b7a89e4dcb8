# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # The last few snapshots that were asked of an index; each follows the index's changes.
      class Snapshots
        KEPT = 4

        # doors: Gates.
        def initialize(doors)
          @doors = doors
          @kept = []
          @lock = Mutex.new
        end

        # list: [PortfolioIndex::Entry]; version: of the index; at: seconds.
        def take(list, version, at)
          @lock.synchronize do
            @kept.clear if @doors.refresh
            found = @kept.find { |s| s.version == version && s.holds_at?(at) }
            next touch(found).at(at) if found

            @kept.shift while @kept.size >= KEPT
            @kept.push(Snapshot.new(list, at, version: version, doors: @doors)).last
          end
        end

        # The kept ones with an index's changes: [[entry that was or nil, entry that is or nil]].
        def advance(list, version, changes)
          @lock.synchronize { @kept.map! { |s| s.with(list, version, changes) } }
        end

        def forget_orders = @lock.synchronize { @kept.each(&:forget_orders) }
        def clear = @lock.synchronize { @kept.clear }

        private

        def touch(snapshot)
          @kept.delete_if { |s| s.equal?(snapshot) }
          @kept.push(snapshot).last
        end
      end
    end
  end
end
