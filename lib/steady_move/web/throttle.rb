# frozen_string_literal: true

module SteadyMove
  module Web
    # Slows whoever tries often without success, and nobody else. A try counts against each of its
    # keys (where it comes from, whom it is for) until it turns out right; beyond what is free each
    # further one waits twice as long.
    class Throttle
      # Too many tries; seconds: how long to wait.
      class TooMany < StandardError
        attr_reader :seconds

        def initialize(seconds)
          @seconds = seconds
          super("wait #{seconds} s")
        end
      end

      Entry = Struct.new(:tries, :at, :under_way)
      FIRST = 15
      LONGEST = 900
      # Quiet for so long, all is forgotten.
      FORGOTTEN = 3600
      AT_ONCE = 6
      # Kinds of keys of which a right try forgets the wrong ones.
      CLEARED = %i[pair device factor own].freeze
      # Entries of each kind: those of one never push out another's.
      KEPT = 10_000

      # clock: answers now as a number of seconds.
      def initialize(clock: -> { Process.clock_gettime(Process::CLOCK_MONOTONIC) })
        @clock = clock
        @kinds = Hash.new { |all, kind| all[kind] = {} }
        @forgiven = {}
        @lock = Mutex.new
      end

      # keys: {[kind, whose…] => how many wrong tries are free}. The block does what is tried and
      # says whether it was right; its value is returned. Raises TooMany.
      def attempt(keys)
        enter(keys)
        right = false
        begin
          right = yield
        ensure
          leave(keys.keys, right)
        end
      end

      # Forgets wrong tries for somebody, once for each mark. mark: changes with each pardon; nil
      # where there was none.
      def forgive(whom, mark)
        @lock.synchronize do
          next if mark.nil? || @forgiven[whom] == mark

          @forgiven[whom] = mark
          @kinds.each_value do |entries|
            entries.delete_if { |key, entry| key.include?(whom) && entry.under_way.zero? }
          end
        end
      end

      private

      # Those of a key's kind.
      def entries(key) = @kinds[key.first]

      def enter(keys)
        @lock.synchronize do
          now = @clock.call
          wait = keys.map { |key, free| wait(entries(key)[key], free, now) }.max.to_f
          raise TooMany, wait.ceil if wait.positive?

          keys.each_key { |key| count(key, now) }
        end
      end

      def wait(entry, free, now)
        return 0 if entry.nil? || now - entry.at > FORGOTTEN
        return 1 if entry.under_way >= AT_ONCE
        return 0 if entry.tries < free

        [[FIRST * (2**[entry.tries - free, 10].min), LONGEST].min - (now - entry.at), 0].max
      end

      def count(key, now)
        entries = entries(key)
        entry = entries.delete(key)
        entry = Entry.new(0, now, 0) if entry.nil? ||
          (now - entry.at > FORGOTTEN && entry.under_way.zero?)
        entries.shift while entries.size >= KEPT
        entries[key] = Entry.new(entry.tries + 1, now, entry.under_way + 1)
      end

      def leave(keys, right)
        @lock.synchronize do
          keys.each do |key|
            entry = entries(key)[key] or next
            entry.under_way -= 1
            entry.tries = CLEARED.include?(key.first) ? 0 : entry.tries - 1 if right
          end
        end
      end
    end
  end
end
