# frozen_string_literal: true

module SteadyMove
  module Core
    module Readiness
      # “dark”: a rule without whose facts nobody can say that the name may go.
      # What of a judgement moves the gate and draws the ruler, small enough to be kept for a
      # hundred thousand names: flat [from, to, effect, soft, rule, from, to, …] without steps and
      # mere cautions.
      class Outline
        # What the list needs of a verdict. kind: clear, fix, unknown, wait or barred; clears_at:
        # seconds or nil; steps, needs: how many of the fixes a move does itself, and how many have
        # to be done before it.
        Gate =
          Struct.new(:kind, :clears_at, :fixes, :rests_on_less, :steps, :needs) do
            # As a planner takes it: blocked, wait, unknown, needs (somebody) or ready.
            def plan_kind
              told = { "barred" => "blocked", "wait" => "wait", "unknown" => "unknown" }[kind]
              return told if told

              needs.positive? ? "needs" : "ready"
            end
          end
        EVER = Float::INFINITY
        # A fix is kept as what it is to a move: one of its steps, first, or only a caution
        # (Rulebook::Entry#in_move).
        HITS = %w[bar wait fix first mind].to_h { |effect| [effect, true] }.freeze
        FIXES = { "step" => "fix", "first" => "first", "caution" => "mind" }.freeze
        REASONS = %w[bar wait fix first mind].freeze
        MOVING = %w[bar wait fix first mind unknown dark].to_h { |effect| [effect, true] }.freeze

        # spans: [Span]. Returns their outline.
        def self.of(spans)
          flat = []
          spans.each { |s| add(flat, s.entry, s.from, s.to, s.effect) }
          new(flat.freeze)
        end

        # Adds a stretch to a flat list, where it moves the verdict or is soft.
        def self.add(flat, entry, from, to, effect)
          soft = entry.soft
          effect = FIXES.fetch(entry.in_move, "fix") if effect == "fix"
          effect = "dark" if effect == "unknown" && entry.hard
          flat.push(from, to, effect, soft, entry.id) if soft || MOVING.key?(effect)
        end

        # This outline with other stretches (flat) for some rules.
        def with(fresh, instead_of:)
          kept = []
          each do |from, to, effect, soft, rule|
            kept.push(from, to, effect, soft, rule) unless instead_of.include?(rule)
          end
          kept.concat(fresh) == @flat ? self : self.class.new(kept.freeze)
        end

        def initialize(flat)
          @flat = flat
          freeze
        end

        # Barred, wait until the latest clears-at, not known, fix first, clear: in this order. at:
        # seconds; passing: rules that are not counted.
        def gate(at, passing: nil)
          clears = -EVER
          count = Hash.new(0)
          each_at(at) do |effect, to, rule|
            next if passing&.include?(rule)

            count[effect] += 1
            clears = to if effect == "wait" && to > clears
          end
          fixes = count["fix"] + count["first"] + count["mind"]
          clears_at = clears.finite? && count["bar"].zero? ? clears : nil
          less = count["unknown"].positive? || count["dark"].positive?
          Gate.new(kind(count, fixes), clears_at, fixes, less, count["fix"], count["first"])
        end

        # Does a rule bar, delay or want a fix at an instant? One that is not known does not.
        def hits?(rule, at)
          each_at(at) { |effect, _, id| return true if id == rule && HITS.key?(effect) }
          false
        end

        # Is a rule not known at an instant?
        def unknown?(rule, at)
          each_at(at) do |effect, _, id|
            return true if id == rule && %w[unknown dark].include?(effect)
          end
          false
        end

        # The rules that bar, delay or want a fix at an instant.
        def reasons(at)
          [].tap do |rules|
            each do |from, to, effect, _, rule|
              rules << rule if from <= at && at < to && REASONS.include?(effect)
            end
          end
        end

        # What decides a gate, the gravest first.
        DECIDING = %w[bar wait dark first].freeze

        # The rule that decides the gate at an instant: one that bars, the wait that ends last, what
        # is not known, what somebody has to do first; nil where nothing does. passing: rules that
        # are not counted.
        def deciding(at, passing: nil)
          by = {}
          latest = -EVER
          each_at(at) do |effect, to, rule|
            next if passing&.include?(rule)
            next by[effect] ||= rule unless effect == "wait"
            next unless to > latest

            latest = to
            by["wait"] = rule
          end
          DECIDING.filter_map { |effect| by[effect] }.first
        end

        # The next instant after `at` at which something begins or ends; infinity where nothing
        # does.
        def next_change(at)
          soonest = EVER
          each { |from, to, _, _| [from, to].each { |t| soonest = t if t > at && t < soonest } }
          soonest
        end

        # What keeps a stretch from being an open window.
        CLOSING = %w[bar wait dark].freeze

        # Open windows within [from, to): what no bar or wait covers, and of which enough is known.
        def windows(from, to)
          closed = []
          each do |a, b, effect, _|
            closed << [a, b] if a < to && b > from && CLOSING.include?(effect)
          end
          Intervals.complement(closed, from, to)
        end

        # Stretches within [from, to) of which nobody knows whether they are open, and no bar or
        # wait closes them.
        def dark(from, to)
          dark = []
          closed = []
          each do |a, b, effect, _|
            next unless a < to && b > from

            if CLOSING.include?(effect)
              (effect == "dark" ? dark : closed) << [[a, from].max, [b, to].min]
            end
          end
          Intervals.union(dark).flat_map { |a, b| Intervals.complement(closed, a, b) }
        end

        # Soft stretches within [from, to): a move may start there, and had better not.
        def soft(from, to)
          soft = []
          each do |a, b, effect, is|
            next unless is && a < to && b > from

            next if %w[bar wait unknown dark].include?(effect)

            soft << [[a, from].max, [b, to].min]
          end
          Intervals.union(soft)
        end

        # Is there an open instant within [from, to)?
        def open_within?(from, to)
          free = from
          loop do
            closing = nil
            each do |a, b, effect, _|
              closing = b if a <= free && free < b && CLOSING.include?(effect)
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

        def kind(count, fixes)
          return "barred" if count["bar"].positive?
          return "wait" if count["wait"].positive?
          return "unknown" if count["dark"].positive?

          fixes.positive? ? "fix" : "clear"
        end

        def each
          flat = @flat
          size = flat.size
          i = 0
          while i < size
            yield flat[i], flat[i + 1], flat[i + 2], flat[i + 3], flat[i + 4]
            i += 5
          end
        end

        def each_at(at)
          flat = @flat
          size = flat.size
          i = 0
          while i < size
            yield flat[i + 2], flat[i + 1], flat[i + 4] if flat[i] <= at && at < flat[i + 1]
            i += 5
          end
        end
      end
    end
  end
end
