# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # What of a judgement moves the gate and draws the ruler, small enough to be kept for a hundred thousand names:
      # flat [from, to, effect, soft, rule, from, to, …] without steps and mere cautions.
      class Outline
        # What the list needs of a verdict. kind: clear, fix, wait or barred; clears_at: seconds or nil.
        Gate = Struct.new(:kind, :clears_at, :fixes, :rests_on_less)
        EVER = Float::INFINITY
        MOVING = %w[bar wait fix unknown].freeze

        def self.of(spans) = new(flat(spans).freeze)

        # Spans as one flat list: from, to (seconds), effect, soft, rule, for each that moves the verdict.
        def self.flat(spans)
          spans.each_with_object([]) do |s, out|
            out.push(s.from, s.to, s.effect, s.entry.soft, s.rule) if MOVING.include?(s.effect) || s.entry.soft
          end
        end

        # This outline with other spans for some rules.
        def with(spans, instead_of:)
          kept = []
          each do |from, to, effect, soft, rule|
            kept.push(from, to, effect, soft, rule) unless instead_of.include?(rule)
          end
          fresh = self.class.flat(spans)
          kept.concat(fresh) == @flat ? self : self.class.new(kept.freeze)
        end

        def initialize(flat)
          @flat = flat
          freeze
        end

        # Barred, wait until the latest clears-at, fix first, clear: in this order. at: seconds.
        def gate(at)
          barred = waits = less = false
          clears = -EVER
          fixes = 0
          each_at(at) do |effect, to|
            case effect
            when "bar" then barred = true
            when "wait"
              waits = true
              clears = to if to > clears
            when "fix" then fixes += 1
            when "unknown" then less = true
            end
          end
          Gate.new(kind(barred, waits, fixes), waits && !barred && clears != EVER ? clears : nil, fixes, less)
        end

        # The rules that bar, delay or want a fix at an instant.
        def reasons(at)
          [].tap do |rules|
            each do |from, to, effect, _, rule|
              rules << rule if from <= at && at < to && %w[bar wait fix].include?(effect)
            end
          end
        end

        # The next instant after `at` at which something begins or ends; infinity where nothing does.
        def next_change(at)
          soonest = EVER
          each { |from, to, _, _| [from, to].each { |t| soonest = t if t > at && t < soonest } }
          soonest
        end

        # Open windows within [from, to): what no bar or wait covers.
        def windows(from, to)
          closed = []
          each do |a, b, effect, _|
            closed << [a, b] if %w[bar wait].include?(effect)
          end
          Intervals.complement(closed, from, to)
        end

        # Soft stretches within [from, to): a move may start there, and had better not.
        def soft(from, to)
          soft = []
          each { |a, b, effect, is| soft << [a, b] if is && effect != "bar" && effect != "wait" && effect != "unknown" }
          Intervals.union(Intervals.clip(soft, from, to))
        end

        # Is there an open instant within [from, to)?
        def open_within?(from, to)
          free = from
          loop do
            closing = nil
            each do |a, b, effect, _|
              closing = b if a <= free && free < b && %w[bar wait].include?(effect)
            end
            return free < to unless closing
            return false if closing >= to

            free = closing
          end
        end

        # The first instant from which nothing closes the way; nil where none is known.
        def earliest_start(from) = windows(from, EVER).first&.first

        # The next window that is not open already at `from`; nil where there is none.
        def next_window(from, to) = windows(from, to).find { |a, _| a > from }

        private

        def kind(barred, waits, fixes)
          return "barred" if barred
          return "wait" if waits

          fixes.positive? ? "fix" : "clear"
        end

        def each
          i = 0
          while i < @flat.size
            yield @flat[i], @flat[i + 1], @flat[i + 2], @flat[i + 3], @flat[i + 4]
            i += 5
          end
        end

        def each_at(at)
          each { |from, to, effect, _| yield effect, to if from <= at && at < to }
        end
      end
    end
  end
end
