# frozen_string_literal: true

module SteadyMove
  module Desk
    module Portfolio
      # All names held, judged and kept in memory, for the list: one index for each destination that
      # is asked about.
      class Holdings
        # Still being read: how many names of how many.
        Working = Struct.new(:done, :of, keyword_init: true)
        INDEXES = 3

        # keep: file in which outlines outlast a restart, or nil.
        def initialize(ports, keep: nil)
          @ports = Ports.of(ports)
          @base = PortfolioIndex.new(@ports, KeptOutlines.new(@ports, keep))
          @towards = {}
          @lock = Mutex.new
        end

        # at, now: Time; to: account id or nil; patience: seconds to wait for a first reading.
        # Returns [Snapshot at the instant, Snapshot now without a destination], or [Working, nil].
        def snapshots(at:, now:, to: nil, patience: 0.5)
          indexes = [index(to), index(nil)]
          slow = indexes.uniq.find { |i| !i.ready?(patience) }
          return Working.new(done: slow.done, of: slow.of), nil if slow

          [indexes.first.snapshot(at.to_i), indexes.last.snapshot(now.to_i)]
        end

        # Reads everything at once, e.g. at start, and keeps it for the next.
        def warm
          index(nil).ready?(600)
          keep
        end

        # Keeps the outlines for the next start.
        def keep = @base.keep

        private

        def index(to)
          @lock.synchronize do
            next @base unless to

            found = @towards.delete(to) || DestinationIndex.new(@ports, @base, to)
            @towards.shift while @towards.size >= INDEXES
            @towards[to] = found
          end
        end
      end
    end
  end
end
